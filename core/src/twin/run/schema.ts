import { z } from "zod";
import { gestureSchema, idSchema } from "../../board/index.ts";
import { faultSchema } from "../faults/index.ts";
import { moverSchema } from "../traffic/index.ts";

/** Raised with every change by which a twin would run otherwise: a run is the same only under the same. */
export const engineVersion = 3;

export const runFormat = "anvilcloud/run@1";

const hours = 24;

/** What is done to a running installation, each at its time; exactly one thing. */
const doneSchema = z
  .strictObject({
    at: z
      .number()
      .min(0)
      .max(hours * 3_600)
      .describe("Seconds from its beginning."),
    do: gestureSchema
      .optional()
      .describe("This is done at the board; what is to be done before it is over waits until then."),
    key: z
      .strictObject({ key: idSchema, goes: z.enum(["down", "up"]) })
      .optional()
      .describe("A key goes down, or is let go; what the hold or the presses meant is done besides."),
    works: z
      .strictObject({ input: idSchema, worked: z.boolean() })
      .optional()
      .describe("An input is worked at its terminal, or let go."),
    faults: z
      .array(faultSchema)
      .max(20)
      .optional()
      .describe("These faults are there from here on, and no others."),
    comes: moverSchema.optional().describe("Someone comes."),
    damages: idSchema.optional().describe("What this memory holds is damaged."),
    sun: z.number().min(0).max(1).optional().describe("Part of its full light that the panel gets."),
  })
  .refine((done) => Object.values(done).filter((each) => each !== undefined).length === 2, {
    message: "Expected exactly one of do, key, works, faults, comes, damages and sun beside at.",
  });

/** A run: where it begins, what is done, and by what chance it varies. */
export const runSchema = z.strictObject({
  format: z.literal(runFormat),
  engine: z.number().int().min(1).describe("The version of the twin it was made with."),
  seed: z.number().int().min(0).max(0xffff_ffff),
  from: z
    .enum(["wired", "now", "done"])
    .default("now")
    .describe(
      "The job as its log leaves it, or once every step that is ahead is done; or wired as planned, and nothing else done.",
    ),
  seconds: z
    .number()
    .positive()
    .max(hours * 3_600),
  spread: z
    .number()
    .min(0)
    .max(0.5)
    .default(0)
    .describe(
      "By how much friction and the thrust of drives differ from leaf to leaf, as a part, by chance.",
    ),
  live: z
    .boolean()
    .default(false)
    .describe(
      "It was done by hand on a live bench: no gesture takes time, everything in the order of the script.",
    ),
  script: z
    .array(doneSchema)
    .max(5_000)
    .default([])
    .describe("In any order; what stands at a time after the end is not done."),
});

export type Run = z.output<typeof runSchema>;
export type RunDone = Run["script"][number];
