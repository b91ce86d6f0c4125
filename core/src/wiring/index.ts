export { assign, compareCost } from "./assign/index.ts";
export type { Assignment, Cost, Item, Option, Shared } from "./assign/index.ts";
export { demandsOf, placeDevices, placesFor, problemOf, settingsOf, testedBy } from "./place/index.ts";
export type { Demand, Place, PlanCost, Placement, SiteDevice } from "./place/index.ts";
export { netsOf, seatText, supplyName, wireRows } from "./cores/index.ts";
export type { Core, Net } from "./cores/index.ts";
export { foundLinks, isSwitchedOff, linkFindings } from "./links/index.ts";
export type { LinkPlan, LinkPosition } from "./links/index.ts";
export type { BySituation, Load, RailLoad } from "./loads/index.ts";
export { allowanceM, billOf, cableKey, cutStepM } from "./cables/index.ts";
export type { BillLine, CableEnd, CablePlan, Reach } from "./cables/index.ts";
export {
  asWiredFindings,
  changesBetween,
  differencesOf,
  effectOf,
  effectText,
  exchangedLeads,
  seated,
  seatOf,
  supplyWords,
} from "./found/index.ts";
export type { Difference, Sits } from "./found/index.ts";
export { asPlanned, planWiring } from "./plan.ts";
export type { WiringPlan } from "./plan.ts";
