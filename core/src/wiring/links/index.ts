export { linkFindings } from "./findings.ts";
export { foundLinks, planLinks } from "./links.ts";
export { isSwitchedOff } from "./quiet.ts";
export type { LinkPlan, LinkPosition } from "./links.ts";
