export { limitsOf, plantOf } from "./build.ts";
export { binds } from "./overlap.ts";
export { ampsOf, edgeOf, plantMoves, type Plant, type PlantLeaf } from "./plant.ts";
