/** Whether everything is run, and not a sample of it: `npm run prove`. */
export const proving = process.env.PROVE === "1";

/** How many cases are drawn: so many in a plain run, ten times as many where everything is run. */
export const cases = (count: number): number => (proving ? 10 * count : count);

/** Whatever a seed draws of these, so many of them and in their order (Lehmer's generator with Park and Miller's multiplier; from memory); all where everything is run. */
export function sampleOf<T>(all: readonly T[], count: number, seed = 1): T[] {
  if (proving) return [...all];
  let state = seed;
  const drawn = all.map((_, at) => {
    state = (state * 48_271) % 2_147_483_647;
    return { at, rank: state };
  });
  return drawn
    .sort((a, b) => a.rank - b.rank)
    .slice(0, count)
    .sort((a, b) => a.at - b.at)
    .map(({ at }) => all[at]!);
}
