export { coresOf } from "./cores.ts";
export type { Core } from "./cores.ts";
export { crowdFindings, earthFindings, pinFindings } from "./findings.ts";
export { inletCores, supplyName } from "./inlet.ts";
export { netsOf } from "./nets.ts";
export type { Net } from "./nets.ts";
export { wireRows } from "./rows.ts";
export { seatText } from "./seat.ts";
