export { faultSchema, faultText, kinds as faultKinds, type FaultKind, type TwinFault } from "./kinds.ts";
export { putFaults } from "./put.ts";
