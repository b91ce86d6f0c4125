export { advice as faultAdvice } from "./advice.ts";
export { faultChoices, type FaultChoice } from "./choices.ts";
export {
  faultSchema,
  faultText,
  kinds as faultKinds,
  onlyOf,
  type FaultKind,
  type TwinFault,
} from "./kinds.ts";
export { putFaults, wiresWith } from "./put.ts";
