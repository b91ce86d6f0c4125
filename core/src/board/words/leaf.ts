import { z } from "zod";

/** The leaves of a site in the order in which a board counts them: the one that opens first, or the only one; then the other. */
export const bothLeaves = ["first", "second"] as const;

/** Where a leaf rests. */
const leafPlaces = ["closed", "between", "open"] as const;
export const leafPlace = z.enum(leafPlaces).describe("Where a leaf rests.");

/** The two ends of the travel. */
export const endSchema = z.enum(["open", "closed"]).describe("An end of the travel.");

/** Where the leaves are or what they do: `stopped` is at rest between the ends. */
const leafStates = ["closed", "open", "between", "moving", "opening", "closing", "stopped"] as const;
export const leafState = z.enum(leafStates);

export const supplyState = z.enum(["mains", "battery"]);
export const batteryState = z.enum(["good", "low"]);
export const timerWord = z.enum(["pause", "warning"]);

/** What can be commanded of a board. */
export const commands = ["open", "close", "step", "pedestrian", "stop"] as const;
export const commandSchema = z.enum(commands).describe("What is commanded.");

export type LeafPlace = z.output<typeof leafPlace>;
export type End = z.output<typeof endSchema>;
export type LeafState = z.output<typeof leafState>;
export type SupplyState = z.output<typeof supplyState>;
export type BatteryState = z.output<typeof batteryState>;
export type TimerWord = z.output<typeof timerWord>;
export type Command = z.output<typeof commandSchema>;
