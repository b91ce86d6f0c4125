import { z } from "zod";
import {
  behaviourId,
  commandSchema,
  conditionSchema,
  endSchema,
  firmwareList,
  gestureSchema,
  idSchema,
  label,
  seconds,
  sendsSchema,
  word,
  type Condition,
} from "../words/index.ts";
import type { BehaviourId } from "../behaviour.ts";

const ids = z.union([idSchema, z.array(idSchema).min(1).max(12)]);

/** What makes a program begin: exactly one of gesture, command and power. */
const triggerSchema = z
  .strictObject({
    by: gestureSchema.optional().describe("This is done at the board."),
    acts: z
      .enum(["at", "release"])
      .default("release")
      .describe(
        "A hold acts at its threshold, however long it goes on; or when the key is let go, where the longest hold that fits counts.",
      ),
    command: z
      .union([commandSchema, z.literal("any")])
      .optional()
      .describe("This is commanded, by whatever commands."),
    power: z.literal("on").optional().describe("The board gets power."),
  })
  .describe("What makes it begin.");

const leaves = z
  .enum(["both", "first", "second"])
  .describe("Which of two leaves, left out both; the first is the one that opens first.");

/** One thing a program does, after which comes the next; exactly one of the keys up to `cycle`. */
export interface Phase {
  mode?: string | undefined;
  run?: "open" | "closed" | undefined;
  until?: "stop" | "limit" | "end" | undefined;
  speed?: "slow" | "learn" | "full" | undefined;
  leaves?: "both" | "first" | "second" | undefined;
  mark?: "open" | "closed" | undefined;
  await?: z.output<typeof awaitSchema> | undefined;
  asks?: z.output<typeof asksSchema> | undefined;
  learn?: string | string[] | undefined;
  forget?: string | string[] | undefined;
  add?: string | undefined;
  drop?: string | undefined;
  commit?: string | undefined;
  restores?: "values" | "everything" | undefined;
  shows?: string | undefined;
  beeps?: number | undefined;
  long?: boolean | undefined;
  seconds?: number | { by: BehaviourId } | undefined;
  cycle?: number | undefined;
  phases?: Phase[] | undefined;
  when?: Condition | undefined;
}

const awaitSchema = z
  .strictObject({
    by: gestureSchema.optional().describe("This is done at the board."),
    heard: sendsSchema.optional().describe("A transmitter sends this."),
    times: z.number().int().min(1).max(9).default(1).describe("So many times."),
    when: conditionSchema.optional().describe("This holds."),
  })
  .describe("What it waits for; `seconds` beside it is how long, after which the program is broken off.");

const asksSchema = z
  .strictObject({
    toward: endSchema.describe("Where the leaf shall be going."),
    yes: gestureSchema.optional().describe("What says yes while it moves; left out, nothing done says yes."),
    no: gestureSchema.optional().describe("What says no while it moves; left out, nothing done says no."),
    onNo: z
      .enum(["invert", "swap-leads", "repeat"])
      .describe("What becomes of a no: swapped leads end the program."),
  })
  .describe("It moves a leaf and asks whether it goes the right way.");

const phaseSchema: z.ZodType<Phase> = z
  .strictObject({
    when: conditionSchema.optional().describe("Passed over where this does not hold."),
    mode: word.optional().describe('What the board is doing from here on; "idle" ends it.'),
    run: endSchema.optional().describe("It moves the leaves toward this end."),
    until: z
      .enum(["stop", "limit", "end"])
      .optional()
      .describe(
        "Until they meet a stop, a limit or a magnet, or the end it knows; left out, the end it knows.",
      ),
    speed: z.enum(["slow", "learn", "full"]).optional(),
    leaves: leaves.optional(),
    mark: endSchema.optional().describe("It takes the place where the leaves stand for this end."),
    await: awaitSchema.optional(),
    asks: asksSchema.optional(),
    learn: ids
      .optional()
      .describe("Memories that hold something from here on; travel only once both ends are known."),
    forget: ids.optional().describe("Memories that are empty from here on."),
    add: idSchema.optional().describe("One more thing in this memory."),
    drop: idSchema.optional().describe("One thing less in this memory."),
    commit: idSchema.optional().describe("It reads what this commit gesture reads."),
    restores: z
      .enum(["values", "everything"])
      .optional()
      .describe("Settings that go back to how they were delivered."),
    shows: word
      .optional()
      .describe("What the display shows for `seconds`; {slot} is the place of what was kept last."),
    beeps: z.number().int().min(1).max(9).optional(),
    long: z.boolean().optional().describe("Long beeps."),
    seconds: z
      .union([seconds, z.strictObject({ by: behaviourId }).describe("As long as this behaviour says.")])
      .optional()
      .describe("How long it waits: alone, or for what `await` waits for."),
    cycle: z.number().int().min(1).max(9).optional().describe("It does `phases` so many times."),
    get phases() {
      return z.array(phaseSchema).min(1).max(12).optional();
    },
  })
  .meta({ id: "phase", description: "One thing it does, after which comes the next." });

/** What a board does by itself when something makes it begin. */
export const programSchema = z
  .strictObject({
    id: idSchema,
    label,
    on: z.array(triggerSchema).max(6).default([]).describe("Left out where an entry of the menu starts it."),
    firmware: firmwareList.optional(),
    leaves: z.number().int().min(1).max(2).optional().describe("Only for this many leaves."),
    card: idSchema.optional().describe("Only with this card fitted."),
    when: conditionSchema.default({}).describe("In which state it is this program that answers."),
    refuses: z
      .array(z.strictObject({ when: conditionSchema, code: word.optional() }))
      .max(12)
      .default([])
      .describe("Why it does not begin, and what is shown then."),
    aborts: z
      .array(
        z.strictObject({
          by: gestureSchema.optional(),
          when: conditionSchema.optional(),
          code: word.optional(),
        }),
      )
      .max(12)
      .default([])
      .describe("What breaks it off, and what is shown then; nothing is learned."),
    phases: z.array(phaseSchema).min(1).max(24),
  })
  .describe("What the board does by itself.");

/** What a key does outside every menu, or a wired input: the first row that holds counts. */
export const doesSchema = z.strictObject({
  command: commandSchema,
  while: z
    .enum(["pressed", "held", "turned"])
    .default("pressed")
    .describe("Pressed once; as long as it is held; as long as it is turned."),
  leaves: leaves.optional(),
  when: conditionSchema.default({}),
});

/** What the board does by itself when the mains fail or the battery runs low. */
export const fallSchema = z.strictObject({
  on: z.enum(["mains-lost", "battery-low"]),
  when: conditionSchema.default({}),
  warnVolts: z.number().positive().max(60).optional().describe("Under this it warns, V."),
  actVolts: z.number().positive().max(60).optional().describe("Under this it acts, V."),
  afterSeconds: z.number().min(0).max(600).default(0).describe("How long it waits before it acts."),
  code: word.optional().describe("What it shows meanwhile."),
  does: z
    .union([
      z.enum(["stays", "opens", "closes", "goes-on"]),
      z.strictObject({ by: behaviourId }).describe("What this behaviour says."),
    ])
    .describe("Opens or closes and stays there, stays where it is, or goes on working."),
  until: z.enum(["mains", "charged"]).default("mains").describe("What ends it."),
});
