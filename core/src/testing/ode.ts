import odex from "odex";

/** What changes: a state, and how fast each part of it changes. */
type Derivative = (time: number, state: readonly number[]) => number[];

/**
 * The state after some seconds by a general package (odex: Hairer's extrapolation of Gragg, Bulirsch and Stoer), to a part in
 * 10⁹. For equations without corners.
 */
export function integrated(from: readonly number[], seconds: number, derivative: Derivative): number[] {
  const solver = new odex.Solver(from.length);
  solver.absoluteTolerance = 1e-10;
  solver.relativeTolerance = 1e-9;
  solver.maxSteps = 200_000;
  return solver.solve((time, state) => derivative(time, state), 0, [...from], seconds).y;
}
