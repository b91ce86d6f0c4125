export { asWiredFindings } from "./as-wired.ts";
export {
  changesBetween,
  differencesOf,
  effectOf,
  effectText,
  seated,
  seatOf,
  supplyWords,
} from "./difference.ts";
export { exchangedLeads } from "./motor-leads.ts";
export type { Difference, Sits } from "./difference.ts";
