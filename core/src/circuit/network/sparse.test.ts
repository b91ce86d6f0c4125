import { Matrix, solve } from "ml-matrix";
import fc from "fast-check";
import { addTo, solveSymmetric, type SymmetricRows } from "./sparse.ts";

/** A symmetric matrix from its dense rows. */
function rowsOf(dense: readonly (readonly number[])[]): SymmetricRows {
  const rows: SymmetricRows = dense.map(() => new Map<number, number>());
  dense.forEach((row, a) => row.forEach((value, b) => value !== 0 && b >= a && addTo(rows, a, b, value)));
  return rows;
}

describe("elimination", () => {
  test("agrees with a dense solver on symmetric systems of any scale", () => {
    const size = fc.integer({ min: 1, max: 7 });
    fc.assert(
      fc.property(
        size.chain((n) =>
          fc.tuple(
            fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: n * n, maxLength: n * n }),
            fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: n, maxLength: n }),
          ),
        ),
        fc.integer({ min: -6, max: 6 }),
        ([cells, right], power) => {
          const n = right.length;
          const scale = 10 ** power;
          // Heavy on the diagonal, as conductances are.
          const dense = Array.from({ length: n }, (_, a) =>
            Array.from(
              { length: n },
              (_, b) => scale * (a === b ? n + 1 : (cells[a * n + b]! + cells[b * n + a]!) / 2),
            ),
          );
          const found = solveSymmetric(rowsOf(dense), right)!;
          const wanted = solve(new Matrix(dense), Matrix.columnVector(right)).to1DArray();
          found.forEach((value, at) => expect(value * scale).toBeCloseTo(wanted[at]! * scale, 9));
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });

  test("a singular system has no answer: two rows that say the same, a row of nothing, one that only seems to differ", () => {
    expect(
      solveSymmetric(
        rowsOf([
          [1, 1],
          [1, 1],
        ]),
        [1, 2],
      ),
    ).toBeUndefined();
    expect(solveSymmetric(rowsOf([[0]]), [1])).toBeUndefined();
    expect(
      solveSymmetric(
        rowsOf([
          [1, 1],
          [1, 1 + 1e-14],
        ]),
        [1, 2],
      ),
    ).toBeUndefined();
    // Against a row of large numbers a small rest is nothing.
    expect(
      solveSymmetric(
        rowsOf([
          [1e6, 1e6],
          [1e6, 1e6 + 1e-8],
        ]),
        [1, 2],
      ),
    ).toBeUndefined();
  });
});
