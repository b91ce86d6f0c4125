/** What is used of the package; its own types are sources that today's compiler does not take (see tsconfig.json). */
interface Solver {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve: (
    derivative: (time: number, state: number[]) => number[],
    from: number,
    state: number[],
    to: number,
  ) => { y: number[] };
}
declare const odex: { Solver: new (size: number) => Solver };
export default odex;
