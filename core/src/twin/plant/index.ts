export { limitsOf, plantOf } from "./build.ts";
export { binds } from "./overlap.ts";
export { leavesBind } from "./plant.ts";
export { ampsOf, edgeOf, isAtRest, plantMoves, type Hung, type Plant, type PlantLeaf } from "./plant.ts";
