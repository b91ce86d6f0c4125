export { applyEffect, stateAsFound } from "./bench.ts";
export type { BenchState, Planned } from "./bench.ts";
export { circumstancesOf, plannedCircumstances } from "./circumstances.ts";
export { faceIn, lampReason, readFace } from "./face.ts";
export type { Face, LampLook, LampState } from "./face.ts";
export { inspect, weakForce } from "./inspection.ts";
export { installationOf, wiresOf } from "./installation.ts";
export { outcomes, stateNow } from "./log.ts";
export { testFindings, testWish } from "./tested.ts";
