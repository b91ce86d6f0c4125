export { billOf } from "./bill.ts";
export type { BillLine } from "./bill.ts";
export { allowanceM, cableKey, cablesOf, cutStepM, segregationFindings } from "./cables.ts";
export type { CableEnd, CablePlan } from "./cables.ts";
export { sizesEnough } from "./size.ts";
export { reachOf, voltageFindings } from "./voltage.ts";
export type { Reach } from "./voltage.ts";
