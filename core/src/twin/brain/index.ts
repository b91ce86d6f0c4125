export { askOf, inForce as inForceOf } from "./ask.ts";
export { brainAtRest, brainOf } from "./brain.ts";
export type { Brain, BrainEvent, Which, World } from "./brain.ts";
export { faceOf } from "./face.ts";
export { actsAfter, brainDoes, keyDown, keyUp, pressesInRow, setTripped } from "./gesture.ts";
export { placeOf, stop as halts } from "./run.ts";
export { obstructed } from "./command.ts";
export { legOf, type Leg } from "./orders.ts";
export { comesTo, counts, leavesEnd, nextSeconds, settles, waits } from "./time.ts";
