export { commitFindings, neighbourFindings, forceFindings, thresholdFindings } from "./findings/state.ts";
export { behavioursOf } from "./fit.ts";
export type { Wishes } from "./fit.ts";
export { ofPairs } from "./kin.ts";
export { isPanelCut, panelJumper } from "./panel.ts";
export { planControls } from "./plan.ts";
export type { ControlPlan, GivenBehaviour, PlannedControl } from "./planned.ts";
export {
  behavioursAt,
  controlKinds,
  deliveredGives,
  dialGives,
  foundPositions,
  movedControls,
  valueGives,
  whenDone,
} from "./positions.ts";
export type { Given, Positions, Standing } from "./positions.ts";
export { tellPositions } from "./tell.ts";
export type { ToldBehaviour, ToldPositions } from "./tell.ts";
export { controlSubject, controlSubjects } from "./subjects.ts";
