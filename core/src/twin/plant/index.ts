export { plantOf } from "./build.ts";
export { binds, type Overlap } from "./overlap.ts";
export { ampsOf, edgeOf, plantMoves, stopAt, type Plant, type PlantLeaf } from "./plant.ts";
