/** The middle one of several values; 0 of none. */
export const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Median of several timings of the same work, ms. */
export async function medianMs(rounds: number, work: () => Promise<void> | void): Promise<number> {
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return median(times);
}

/** One line: what was measured, the ratio, and the budget it has. */
export function report(what: string, ratio: number, budget: string): void {
  process.stdout.write(`${what}: ratio ${ratio.toFixed(2)} (${budget})\n`);
}
