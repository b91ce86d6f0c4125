export * from "./board.ts";
export { failings, type Failing } from "./procedure.ts";
export type { Phase } from "./program.ts";
export {
  batteryState,
  contactDuties,
  dutySchema,
  idSchema,
  leafIdSchema,
  leafPlace,
  loadDuties,
  loadDutySchema,
  prose,
  provenanceSchema,
  restSchema,
  supplyState,
} from "../words/index.ts";
export type {
  Act,
  ActWord,
  BatteryState,
  Circumstances,
  Command,
  Condition,
  ContactDuty,
  End,
  Gesture,
  LeafPlace,
  LeafState,
  LoadDuty,
  Provenance,
  Reaction,
  ReactionMoment,
  SetsValue,
  SupplyState,
  TimerWord,
} from "../words/index.ts";
