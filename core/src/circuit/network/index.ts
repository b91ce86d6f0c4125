export { solveNetwork } from "./network.ts";
export type { Part, Solution } from "./network.ts";
