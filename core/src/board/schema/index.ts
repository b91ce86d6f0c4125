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
} from "./words.ts";
export type { Condition, ContactDuty, Gesture, LoadDuty, Provenance, SetsValue } from "./words.ts";
