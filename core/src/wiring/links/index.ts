export { linkFindings } from "./findings.ts";
export { foundLinks, planLinks } from "./links.ts";
export type { LinkPlan, LinkPosition } from "./links.ts";
