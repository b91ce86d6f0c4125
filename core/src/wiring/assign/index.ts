export { assign } from "./assign.ts";
export { costOf } from "./cost-of.ts";
export type { Assignment, Item, Option, Shared } from "./problem.ts";
export { compareCost, free } from "./cost.ts";
export type { Cost } from "./cost.ts";
