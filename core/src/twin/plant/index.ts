export { limitsOf, plantOf } from "./build.ts";
export { binds } from "./overlap.ts";
export { ampsOf, edgeOf, isAtRest, plantMoves, type Hung, type Plant, type PlantLeaf } from "./plant.ts";
