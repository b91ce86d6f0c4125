export {
  actsAfter,
  askOf,
  brainAtRest,
  brainDoes,
  brainOf,
  faceOf,
  isOff as isInputOff,
  keyDown,
  keyUp,
  mostEvents,
  nextSeconds,
  placeOf,
  pressesInRow,
  setTripped,
  settles,
  waits,
} from "./brain/index.ts";
export { brainAt, faceAt, twinAt } from "./at.ts";
export type { Brain, BrainEvent } from "./brain/index.ts";
export { runReport } from "./report.ts";
export type { RunReport } from "./report.ts";
export { leavesBind } from "./plant/index.ts";
export { arrange, make, movesIn } from "./runner/index.ts";
export { saidTo } from "./site/index.ts";
export type { Asked, Circuit } from "./site/index.ts";
export { tickSeconds, twinRuns } from "./step/index.ts";
export type { Twin } from "./step/index.ts";
export { eventsTold, heardBy, keysTogether, movesText, told } from "./told.ts";
export {
  faultAdvice,
  faultChoices,
  faultSchema,
  faultText,
  onlyOf,
  putFaults,
  wiresWith,
} from "./faults/index.ts";
export type { FaultChoice, TwinFault } from "./faults/index.ts";
export {
  comeOf,
  courseOf,
  engineVersion,
  happens,
  lookSeconds,
  plays,
  runFormat,
  runSchema,
} from "./run/index.ts";
export type { Course, Played, Run } from "./run/index.ts";
export { fillFrame, frameLayout, readFrame, Session, shortestHold } from "./live/index.ts";
export type { Frame, FrameLayout, LeafFrame, LiveAct, LiveStart, MoverFrame } from "./live/index.ts";
