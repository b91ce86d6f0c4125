/** A symmetric matrix by rows; only what is not zero is kept. */
export type SymmetricRows = Map<number, number>[];

/** Adds to an entry and to its mirror. */
export function addTo(rows: SymmetricRows, a: number, b: number, value: number): void {
  rows[a]!.set(b, (rows[a]!.get(b) ?? 0) + value);
  if (a !== b) rows[b]!.set(a, (rows[b]!.get(a) ?? 0) + value);
}

/** Least pivot taken as one, relative to the largest entry of its row. */
const leastPivot = 1e-13;

/**
 * Solves a symmetric system by elimination, the row with the fewest neighbours first, so that a network that is nearly a
 * tree stays nearly as sparse as it was. Changes `rows`. Undefined where the matrix is singular.
 */
export function solveSymmetric(rows: SymmetricRows, right: readonly number[]): number[] | undefined {
  const n = rows.length;
  const b = [...right];
  const order: number[] = [];
  const left = new Set(rows.keys());
  const largest = rows.map((row) => Math.max(0, ...[...row.values()].map(Math.abs)));
  const eliminated: { pivot: number; entries: [number, number][] }[] = [];
  while (left.size) {
    let at = -1;
    for (const row of left) if (at < 0 || rows[row]!.size < rows[at]!.size) at = row;
    left.delete(at);
    order.push(at);
    const pivot = rows[at]!.get(at) ?? 0;
    if (Math.abs(pivot) <= leastPivot * Math.max(1e-9, largest[at]!)) return undefined;
    const entries = [...rows[at]!].filter(([column]) => column !== at);
    eliminated.push({ pivot, entries });
    for (const [row, value] of entries) {
      const factor = value / pivot;
      b[row] = b[row]! - factor * b[at]!;
      const target = rows[row]!;
      target.delete(at);
      for (const [column, other] of entries) target.set(column, (target.get(column) ?? 0) - factor * other);
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let step = n - 1; step >= 0; step--) {
    const at = order[step]!;
    const { pivot, entries } = eliminated[step]!;
    x[at] = entries.reduce((sum, [column, value]) => sum - value * x[column]!, b[at]!) / pivot;
  }
  return x;
}
