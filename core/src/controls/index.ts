export { commitFindings, forceFindings, thresholdFindings } from "./findings.ts";
export type { Wishes } from "./fit.ts";
export { isPanelCut, panelJumper } from "./panel.ts";
export { planControls } from "./plan.ts";
export type { ControlPlan, GivenBehaviour, PlannedControl } from "./planned.ts";
export { behavioursAt, dialGives, foundPositions, movedControls, whenDone } from "./positions.ts";
export type { Given, Positions, Standing } from "./positions.ts";
export { controlSubject, controlSubjects } from "./subjects.ts";
