export { overloadFindings } from "./findings.ts";
export { railLoads } from "./loads.ts";
export type { BySituation, Load, RailLoad } from "./loads.ts";
