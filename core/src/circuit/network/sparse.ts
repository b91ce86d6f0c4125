/** A symmetric matrix by rows; only what is not zero is kept. */
export type SymmetricRows = Map<number, number>[];

/** Adds to an entry and to its mirror. */
export function addTo(rows: SymmetricRows, a: number, b: number, value: number): void {
  rows[a]!.set(b, (rows[a]!.get(b) ?? 0) + value);
  if (a !== b) rows[b]!.set(a, (rows[b]!.get(a) ?? 0) + value);
}

/** Least pivot taken as one, relative to the largest entry of its row. */
const leastPivot = 1e-13;

/** Rows by how many entries they have, so that the sparsest left is at hand. */
class Sparsest {
  readonly #buckets: Set<number>[] = [];
  readonly #sizes: number[];

  constructor(rows: SymmetricRows) {
    this.#sizes = rows.map((row) => row.size);
    this.#sizes.forEach((size, at) => this.#bucket(size).add(at));
  }

  #bucket(size: number): Set<number> {
    return (this.#buckets[size] ??= new Set());
  }

  moved(row: number, size: number): void {
    if (size === this.#sizes[row]) return;
    this.#bucket(this.#sizes[row]!).delete(row);
    this.#bucket(size).add(row);
    this.#sizes[row] = size;
  }

  take(): number {
    for (const bucket of this.#buckets)
      if (bucket && bucket.size > 0) {
        const row = bucket.values().next().value!;
        bucket.delete(row);
        return row;
      }
    return -1;
  }
}

/**
 * Solves a symmetric system by elimination, the row with the fewest neighbours first, so that a network that is nearly a
 * tree stays nearly as sparse as it was. Changes `rows`. Undefined where the matrix is singular.
 */
export function solveSymmetric(rows: SymmetricRows, right: readonly number[]): number[] | undefined {
  const n = rows.length;
  const b = [...right];
  const order: number[] = [];
  const left = new Sparsest(rows);
  const largest = rows.map((row) => {
    let most = 0;
    for (const value of row.values()) most = Math.max(most, Math.abs(value));
    return most;
  });
  const eliminated: { pivot: number; entries: [number, number][] }[] = [];
  for (let at = left.take(); at >= 0; at = left.take()) {
    order.push(at);
    const pivot = rows[at]!.get(at) ?? 0;
    if (Math.abs(pivot) <= leastPivot * Math.max(1e-9, largest[at]!)) return undefined;
    rows[at]!.delete(at);
    const entries = [...rows[at]!];
    eliminated.push({ pivot, entries });
    for (const [row, value] of entries) {
      const factor = value / pivot;
      b[row] = b[row]! - factor * b[at]!;
      const target = rows[row]!;
      target.delete(at);
      for (const [column, other] of entries) target.set(column, (target.get(column) ?? 0) - factor * other);
      left.moved(row, target.size);
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let step = n - 1; step >= 0; step--) {
    const at = order[step]!;
    const { pivot, entries } = eliminated[step]!;
    let sum = b[at]!;
    for (const [column, value] of entries) sum -= value * x[column]!;
    x[at] = sum / pivot;
  }
  return x;
}
