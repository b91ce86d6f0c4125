export { faultsThatFlip, withFault } from "./faults.ts";
export type { Fault } from "./faults.ts";
export { jointNode, pinNode, terminalNode } from "./installation.ts";
export type { Installation, Node, PlacedDevice, Wire } from "./installation.ts";
export { measureCircuit } from "./measure.ts";
export type { Measured, MeasuredRail, MeasuredSupply } from "./measure.ts";
export { readCircuit } from "./solve.ts";
export type { Element, InputReading, Readings, SupplyState } from "./solve.ts";
