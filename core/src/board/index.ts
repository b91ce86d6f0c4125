export { behaviour, behaviourIds, behaviourMisfit, behaviourText } from "./behaviour.ts";
export type { BehaviourId, BehaviourValue } from "./behaviour.ts";
export { checkBoard } from "./check.ts";
export { commonTerminals, lampOfInput, switchIds, terminalOf, terminalsOf } from "./lookup.ts";
export type { Terminal } from "./lookup.ts";
export { parseBoard, readBoard } from "./read.ts";
export { boardSchema, dutySchema, idSchema, loadDutySchema, provenanceSchema, restSchema } from "./schema.ts";
export type {
  BoardInput,
  BoardProfile,
  Commit,
  Condition,
  ContactDuty,
  Dial,
  Effect,
  Gesture,
  Lamp,
  LoadDuty,
  Procedure,
  ProcedureStep,
  Provenance,
  Rail,
  SetsValue,
  Setting,
} from "./schema.ts";
