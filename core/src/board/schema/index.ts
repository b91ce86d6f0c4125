export * from "./board.ts";
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
  ReactionMoment,
  SetsValue,
  SupplyState,
  TimerWord,
} from "../words/index.ts";
