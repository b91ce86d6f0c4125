export { movesIn } from "./claims.ts";
export { make } from "./make.ts";
export { makeProcedure } from "./run.ts";
export { arrange, startOf } from "./start.ts";
export { fittingsOf, runEvery } from "./every.ts";
export type { Misrun } from "./every.ts";
