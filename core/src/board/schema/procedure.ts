import { z } from "zod";
import {
  bothLeaves,
  conditionSchema,
  firmwareList,
  gestureSchema,
  idSchema,
  label,
  leafPlace,
  prose,
  provenanceSchema,
  seconds,
  word,
} from "../words/index.ts";

const ids = z.union([idSchema, z.array(idSchema).min(1).max(12)]);

/** What a step claims to change at the board; a program causes it, or nothing does. */
const claimSchema = z
  .strictObject({
    power: z.boolean().optional(),
    mode: word.optional().describe('What the board is doing from here on; "idle" ends it.'),
    learn: ids.optional().describe("Memories that hold something from here on."),
    forget: ids.optional().describe("Memories that are empty from here on."),
    add: idSchema.optional().describe("A memory that holds one thing more."),
    drop: idSchema.optional().describe("A memory that holds one thing less; the others stay."),
    commit: idSchema.optional().describe("A commit gesture that this step is as well."),
    restores: z
      .enum(["values", "everything"])
      .optional()
      .describe("Settings that go back to how they were delivered."),
    moves: z
      .array(z.enum(["open", "closed", "open 1", "closed 1", "open 2", "closed 2"]))
      .max(16)
      .optional()
      .describe(
        "Which ways the leaves go while it lasts, one after the other; with a number where of two only that one moves. Of one leaf, what is said of the second is passed over.",
      ),
    leaf: leafPlace.optional().describe("Where the leaves stand at its end."),
    beeps: z.number().int().min(1).max(20).optional().describe("How often it beeps."),
    shows: word
      .optional()
      .describe("What the display shows for a moment; {slot} is the place of what was kept."),
    tests: z.array(idSchema).max(8).optional().describe("Inputs that the board tests while it lasts."),
    code: word.optional().describe("A code it shows."),
  })
  .describe("What a step claims to change at the board.");

/** Something that is measured while a step is done. */
const measureSchema = z.strictObject({
  quantity: label,
  unit: z.string().max(12),
  least: z.number().optional(),
  most: z.number().optional(),
});

const stepSchema = z.strictObject({
  id: idSchema,
  do: z
    .union([gestureSchema, z.array(gestureSchema).min(1).max(24)])
    .transform((given) => (Array.isArray(given) ? given : [given]))
    .describe("What is done by hand: one gesture, or several in a row."),
  says: prose.describe(
    "What to do, as it is told to the installer; of `{the leaf|both leaves}` the one for one leaf, the other for two.",
  ),
  caution: prose.optional(),
  when: conditionSchema.optional().describe("Only where this holds."),
  leaves: z.number().int().min(1).max(2).optional().describe("Only with this many leaves."),
  claims: claimSchema.default({}),
  measures: z
    .array(measureSchema)
    .max(8)
    .default([])
    .describe("What is measured meanwhile, and within which limits."),
  see: prose.optional().describe("What is seen or heard at the leaf; what lamps show is computed."),
  shows: word.optional().describe("What the display shows while it lasts."),
  ifNot: prose.optional().describe("What it means when it is not seen, and what to do."),
});

/** Ways of learning the travel, of pairing a transmitter, and of resetting. */
const manners = [
  "seeks-stops",
  "wizard-half-way",
  "sensor-limits",
  "set-positions",
  "encoder-ends",
  "pedestrian-set-up",
  "wizard-calibration",
  "first-command",
  "by-menu",
  "key-and-recessed-button",
  "learn-key",
  "beeps",
  "by-switches",
  "by-keys",
  "by-limits",
] as const;

export const procedureSchema = z.strictObject({
  id: idSchema,
  kind: z
    .enum([
      "power-up",
      "direction",
      "learn",
      "cycle",
      "pair",
      "self-test",
      "mains-failure",
      "battery-low",
      "reset",
      "mechanical",
      "other",
    ])
    .default("other"),
  manner: z.enum(manners).optional().describe("How it learns, pairs or resets."),
  station: z
    .enum(["wire", "power-up", "travel", "force", "remotes", "prove"])
    .optional()
    .describe("Where it stands in the order of the work; left out, it is done only when needed."),
  optional: z.boolean().default(false).describe("It is done where the job chooses it."),
  instead: idSchema.optional().describe("Another procedure that it replaces where the job chooses it."),
  afterProof: z
    .boolean()
    .default(false)
    .describe("Protections are fitted and proved after it, for the maker wants it so."),
  title: label,
  source: provenanceSchema,
  firmware: firmwareList.optional(),
  leaves: z.number().int().min(1).max(2).optional().describe("Only for this many leaves."),
  card: idSchema.optional().describe("Only with this card fitted."),
  needs: z.array(conditionSchema).default([]).describe("What must hold before it begins."),
  windowSeconds: seconds.optional().describe("How long the board listens before it gives up."),
  clears: z.array(idSchema).default([]).describe("Memories a reset empties."),
  keeps: z.array(idSchema).default([]).describe("Memories it leaves alone."),
  steps: z.array(stepSchema).min(1).max(40),
});

export const memorySchema = z.strictObject({
  id: idSchema,
  label,
  holds: z
    .enum(["travel", "force", "speed", "remotes", "keypads", "values", "faults", "cycles", "edges", "clock"])
    .describe("What kind of thing it keeps."),
  capacity: z.number().int().positive().max(100_000).optional().describe("How many it takes."),
  countsIn: z.number().int().positive().max(10_000).optional().describe("Smallest step of a counter."),
  relearns: z
    .number()
    .int()
    .min(1)
    .max(9)
    .optional()
    .describe("Emptied, it fills by itself over so many full cycles, once the travel is known."),
  afterTravel: z.boolean().default(false).describe("It is void once the travel is learned anew."),
  corrupts: prose.optional().describe("How it shows that its content is damaged."),
});

/** What a board can find wrong by itself while it moves its leaves, or before. */
export const failings = [
  "no-current",
  "no-pulses",
  "no-end",
  "wrong-way",
  "obstructed",
  "test-failed",
] as const;

export type Failing = (typeof failings)[number];

export const codeSchema = z.strictObject({
  code: word.describe("What the display shows, or how many flashes the lamp gives."),
  lamp: idSchema.optional().describe("The lamp that flashes it; left out, the display shows it."),
  other: z.boolean().optional().describe("It flashes in the lamp's second colour."),
  means: prose,
  remedy: prose.optional(),
  tells: z
    .enum(failings)
    .optional()
    .describe(
      "What the board itself finds wrong when it shows this; left out where a program, or a fall, names the code.",
    ),
  leaf: z.enum(bothLeaves).optional().describe("Of which of two leaves it is told; left out, of any."),
});
