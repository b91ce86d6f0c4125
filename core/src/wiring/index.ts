export { assign, compareCost } from "./assign/index.ts";
export type { Assignment, Cost, Item, Option, Shared } from "./assign/index.ts";
export { asWiredFindings } from "./as-wired.ts";
export { billOf } from "./bill.ts";
export type { BillLine } from "./bill.ts";
export { allowanceM, cutStepM } from "./cables.ts";
export type { CableEnd, CablePlan } from "./cables.ts";
export {
  changesBetween,
  differencesOf,
  effectOf,
  effectText,
  placeText,
  seated,
  supplyWords,
} from "./difference.ts";
export type { Difference, Sits } from "./difference.ts";
export { supplyName } from "./inlet.ts";
export type { Core } from "./cores.ts";
export { demandsOf, sensingWord } from "./demand.ts";
export type { Demand, Place, SiteDevice } from "./demand.ts";
export { foundLinks, linkFindings } from "./links.ts";
export type { LinkPlan, LinkPosition } from "./links.ts";
export type { BySituation, Load, RailLoad } from "./loads.ts";
export { netsOf } from "./nets.ts";
export type { Net } from "./nets.ts";
export { placeDevices } from "./place.ts";
export type { Placement } from "./place.ts";
export { testedBy } from "./preference.ts";
export type { PlanCost } from "./preference.ts";
export { problemOf } from "./problem.ts";
export { asPlanned, planWiring } from "./plan.ts";
export type { WiringPlan } from "./plan.ts";
export { wireRows } from "./rows.ts";
