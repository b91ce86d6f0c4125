export { movesIn } from "./claims.ts";
export type { Mismatch } from "./claims.ts";
export { make } from "./make.ts";
export { makeProcedure, runProcedure } from "./run.ts";
export type { Made } from "./run.ts";
export { arrange, startOf } from "./start.ts";
export { fittingsOf, runEvery } from "./every.ts";
export type { Misrun } from "./every.ts";
