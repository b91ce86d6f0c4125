export { askOf, inForce, isPending } from "./ask.ts";
export { brainAtRest, brainOf, leavesOf } from "./brain.ts";
export type { Brain, BrainEvent, Running, Which } from "./brain.ts";
export { brainDoes } from "./gesture.ts";
export { placeOf } from "./run.ts";
export { nextSeconds, settles, waits } from "./time.ts";
