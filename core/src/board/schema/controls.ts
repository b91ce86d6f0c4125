import { z } from "zod";
import {
  at,
  blockId,
  clock,
  conditionSchema,
  gestureSchema,
  idSchema,
  label,
  prose,
  setsSchema,
  word,
} from "../words/index.ts";
import { doesSchema } from "./program.ts";

const scale = {
  from: z.number().min(0).max(1).describe("Where the zone begins, as a fraction of the sweep."),
  to: z.number().min(0).max(1).describe("Where it ends."),
};

/** A trimmer with its arrow read like a clock face. */
export const dialSchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  sweep: z
    .strictObject({ from: clock, to: clock })
    .default({ from: "7:00", to: "5:00" })
    .describe("The two ends of its travel, clockwise through 12."),
  delivered: clock,
  live: conditionSchema.optional().describe("The dial counts only while this holds."),
  zones: z
    .array(
      z.strictObject({
        ...scale,
        reads: label.optional().describe("What the dial says in this zone, when it is not plain."),
        sets: setsSchema,
      }),
    )
    .min(1)
    .max(24)
    .describe("Parts of the sweep as fractions, without gaps, and what each sets."),
});

/** A bank of DIP switches. */
export const dipSchema = z.strictObject({
  id: blockId.describe('One or two capital letters; its switches are "S1", "S2", …'),
  label,
  at: at.optional(),
  on: z.enum(["up", "down"]).default("up").describe("Which way a lever stands when it is on."),
  delivered: z
    .array(z.enum(["on", "off"]))
    .min(1)
    .max(12),
});

/** A slide switch with named positions. */
export const slideSchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  positions: z.array(word).min(2).max(5),
  delivered: word,
});

/** A jumper: two pins and a shunt that is on or parked, or three pins and a shunt on one pair of them. */
export const jumperSchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  pins: z.union([z.literal(2), z.literal(3)]),
  delivered: word.describe('On two pins "on" or "parked"; on three "1-2" or "2-3".'),
});

/** What a switch, slide or jumper sets, or several of them together. */
export const settingSchema = z.strictObject({
  of: z.array(idSchema).min(1).max(6).describe("The switches, slides or jumpers read together."),
  label,
  leaves: z.number().int().min(1).max(2).optional().describe("Only with this many leaves."),
  use: z
    .enum(["gate", "door"])
    .optional()
    .describe("Only on a gate, or only on a door: one switch can mean different things."),
  rows: z
    .array(z.strictObject({ at: z.array(word).min(1).max(6), sets: setsSchema }))
    .min(2)
    .max(64)
    .describe("Positions in the order of `of`, and what they set."),
});

export const keySchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  kind: z
    .enum(["push", "turn-and-press", "recessed", "wall"])
    .default("push")
    .describe("A wall key hangs beside the door, not on the board."),
  outside: prose.optional().describe("What it does outside every menu, such as moving the gate."),
  does: z
    .array(doesSchema)
    .max(8)
    .default([])
    .describe("The same for the program; the first row that holds counts."),
});

/** The gesture after which the board takes what was moved. */
export const commitSchema = z.strictObject({
  id: idSchema,
  for: z.enum(["switches", "dials", "values"]),
  by: gestureSchema,
  says: prose,
});

export const displaySchema = z.strictObject({
  kind: z.enum(["segments", "text"]).describe("Segments show a few digits and letters, text shows words."),
  characters: z.number().int().min(1).max(24).describe("Characters in one line."),
  lines: z.number().int().min(1).max(8).default(1),
  at: at.optional(),
  shows: z
    .array(z.strictObject({ when: conditionSchema, text: z.string().min(1).max(160) }))
    .max(80)
    .default([])
    .describe("What stands on it outside a menu; the first row that holds counts. Lines end with |."),
});

const lampColour = z.enum(["green", "red", "amber", "blue", "white"]);

export const lampSchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  colour: lampColour.describe("Its colour; of a lamp of two colours, the first."),
  other: lampColour.optional().describe("The second colour of a lamp that has two."),
  shows: z
    .array(
      z.strictObject({
        when: conditionSchema,
        is: z.enum(["lit", "blinking", "dark"]),
        other: z.boolean().optional().describe("In its second colour."),
        flashes: z.number().int().min(1).max(20).optional().describe("Flashes between two pauses."),
      }),
    )
    .min(1)
    .max(40)
    .describe(
      "The first row that holds counts; none holds, it is dark. An inverted lamp is dark on its limit.",
    ),
});
