export { brainOf, placeOf } from "./brain/index.ts";
export type { Brain, BrainEvent } from "./brain/index.ts";
export { make, movesIn, runEvery } from "./runner/index.ts";
export type { Misrun } from "./runner/index.ts";
