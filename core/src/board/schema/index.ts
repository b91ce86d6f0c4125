export * from "./board.ts";
export {
  dutySchema,
  idSchema,
  leafIdSchema,
  loadDutySchema,
  prose,
  provenanceSchema,
  restSchema,
} from "./words.ts";
export type { Condition, ContactDuty, Gesture, LoadDuty, Provenance, SetsValue } from "./words.ts";
