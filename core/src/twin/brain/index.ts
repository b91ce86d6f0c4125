export { askOf } from "./ask.ts";
export { brainAtRest, brainOf } from "./brain.ts";
export type { Brain, BrainEvent, Which } from "./brain.ts";
export { faceOf } from "./face.ts";
export { actsAfter, brainDoes, keyDown, keyUp, pressesInRow, setTripped } from "./gesture.ts";
export { placeOf } from "./run.ts";
export { nextSeconds, settles, waits } from "./time.ts";
