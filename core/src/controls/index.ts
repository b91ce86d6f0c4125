export { commitFindings, forceFindings, thresholdFindings } from "./findings.ts";
export type { Wishes } from "./fit.ts";
export { planControls } from "./plan.ts";
export type { ControlPlan, GivenBehaviour, PlannedControl } from "./plan.ts";
export { behavioursAt, dialGives, foundPositions, movedControls } from "./positions.ts";
export type { Positions } from "./positions.ts";
export { controlSubject, controlSubjects } from "./subjects.ts";
