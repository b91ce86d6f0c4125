export * from "./board.ts";
export {
  contactDuties,
  dutySchema,
  idSchema,
  leafIdSchema,
  loadDuties,
  loadDutySchema,
  prose,
  provenanceSchema,
  restSchema,
} from "../words/index.ts";
export type {
  Circumstances,
  Condition,
  ContactDuty,
  Gesture,
  LoadDuty,
  Provenance,
  ReactionMoment,
  SetsValue,
} from "../words/index.ts";
