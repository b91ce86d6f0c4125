import { z } from "zod";
import { behaviourIds } from "../behaviour.ts";

/** Ids are short words: letters, digits and hyphens, beginning with a letter or digit. */
export const idSchema = z
  .string()
  .max(60)
  .regex(/^[A-Za-z0-9][A-Za-z0-9-]*$/, "a short word of letters, digits and hyphens")
  .describe("A short word of letters, digits and hyphens.");

export const label = z
  .string()
  .min(1)
  .max(80)
  .describe("A few words, as printed on the board or told to people.");
export const prose = z.string().min(1).max(600);
export const word = z.string().min(1).max(40);
export const mm = z.number().min(0).max(2000);
export const at = z
  .strictObject({ x: mm, y: mm })
  .describe("Place on the face, mm from its upper left corner. Left out, the program finds one.");
export const clock = z
  .string()
  .regex(/^(1[0-2]|[1-9]):([0-5]\d)$/, 'a clock time such as "7:30"')
  .describe('A position read like the hour hand of a clock, such as "7:30".');
export const blockId = z.string().regex(/^[A-Z]{1,2}$/, "one or two capital letters");
export const terminalId = z
  .string()
  .regex(/^[A-Z]{1,2}\d{1,3}$/, 'a terminal such as "F3": block and number')
  .describe('A terminal: block and number, such as "F3".');
export const seconds = z.number().positive().max(600);
export const firmwareList = z
  .array(z.string().min(1).max(20))
  .describe("Only for these firmware versions; left out, for all of the board's.");

export const provenanceSchema = z
  .strictObject({
    from: z
      .enum(["maker's sheet", "seen on site", "assumed"])
      .describe("Maker's sheet, seen on site, or assumed."),
    note: prose.optional(),
  })
  .describe("Where a statement is known from.");

/** Kinds of contact an input can take. */
export const contactDuties = [
  "stop",
  "photocell",
  "high-beam",
  "edge",
  "step",
  "pedestrian",
  "open-only",
  "close-only",
  "exit",
  "limit-open",
  "limit-closed",
  "limits",
  "encoder",
  "exit-loop",
  "interrupt-loop",
  "shadow-loop",
  "activation-inside",
  "activation-outside",
  "threshold-sensor",
  "side-sensor",
  "selector",
  "wake",
  "rain",
  "fire",
] as const;
/** Kinds of load a rail can feed. */
export const loadDuties = [
  "accessory",
  "test-sender",
  "flash",
  "courtesy-light",
  "traffic",
  "bell",
  "lock",
  "brake",
  "encoder",
  "receiver",
  "gate-board",
  "drive-overlapping",
  "drive-overlapped",
  "drive-only",
] as const;

export const dutySchema = z.enum(contactDuties).describe("What a contact is there for.");
export const loadDutySchema = z.enum(loadDuties).describe("What a load is there for.");
export const restSchema = z.enum(["closed", "open"]);
export const leafIdSchema = z
  .enum(["only", "overlapping", "overlapped"])
  .describe("Which leaf: with two, the overlapping one opens first and closes last.");

export const behaviourId = z.enum(behaviourIds).describe("A canonical behaviour.");
export const behaviourValue = z.union([z.boolean(), z.number(), z.string().max(40)]);

export const setsSchema = z
  .record(
    z.string().regex(/^[a-z0-9-]{1,40}$/, "a canonical behaviour"),
    z.union([
      behaviourValue,
      z
        .strictObject({ from: z.number(), to: z.number() })
        .describe("A number that runs evenly from one end to the other."),
    ]),
  )
  .describe("Canonical behaviours and the value each gets here.");

export type ContactDuty = z.output<typeof dutySchema>;
export type LoadDuty = z.output<typeof loadDutySchema>;
export type Provenance = z.output<typeof provenanceSchema>;
export type SetsValue = z.output<typeof setsSchema>[string];
