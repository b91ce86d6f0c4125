export { solveNetwork } from "./network.ts";
export type { Branch, Solution } from "./network.ts";
