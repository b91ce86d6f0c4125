export { likeliest, sightsOf } from "./alike.ts";
export type { LookAlike, SeenInstead, Sights, SightsSoFar } from "./alike.ts";
export type { Movement } from "./moves.ts";
export { ranStep } from "./ran.ts";
export type { Ran } from "./ran.ts";
