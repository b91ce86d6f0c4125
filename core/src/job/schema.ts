import { z } from "zod";
import { behaviourIds, idSchema } from "../board/index.ts";
import { coreColours } from "../device/index.ts";
import { conductorSizesMm2, isClock } from "../quantity/index.ts";
import { effectSchema, moveSchema } from "./effect.ts";
import { begunSchema } from "./preset.ts";

const text = (most: number) => z.string().max(most);
const needed = (most: number, what: string) =>
  z.string().trim().min(1, what).max(most, `at most ${most} characters`);
const ref = z.strictObject({ id: idSchema, revision: z.number().int().min(1) });

/** Which leaf: with two, the overlapping one carries the outer latch, opens first and closes last. */
export const leafIds = ["only", "overlapping", "overlapped"] as const;

const within = (least: number, most: number, unit: string) =>
  z
    .number(`a number in ${unit}`)
    .min(least, `at least ${least} ${unit}`)
    .max(most, `at most ${most} ${unit}`);

const leafSchema = z.strictObject({
  id: z.enum(leafIds),
  widthMm: within(300, 12_000, "mm"),
  heightMm: within(300, 6_000, "mm"),
  massKg: within(5, 3_000, "kg"),
  infill: z.enum(["open", "solid"]),
  openingDegrees: within(10, 180, "°").optional().describe("How far a swing leaf opens."),
  travelMm: within(100, 20_000, "mm").optional().describe("How far any other leaf travels."),
  headerDepthMm: within(10, 2_000, "mm")
    .optional()
    .describe("Depth there is for a drive over or beside the opening."),
  stopOpen: z.boolean(),
  stopClosed: z.boolean(),
});

const siteSchema = z.strictObject({
  customer: needed(120, "the customer's name"),
  address: text(200),
  town: text(80),
});

const surveySchema = z.strictObject({
  leaves: z
    .array(leafSchema)
    .min(1)
    .max(2)
    .refine(
      (leaves) =>
        leaves.length === 1
          ? leaves[0]?.id === "only"
          : new Set(leaves.map((leaf) => leaf.id)).size === 2 && leaves.every((leaf) => leaf.id !== "only"),
      'one leaf "only", or two leaves "overlapping" and "overlapped"',
    ),
  use: z
    .enum(["gate", "door"])
    .optional()
    .describe("For a board whose switches mean different things on each."),
  users: z.enum(["trained-private", "trained-public", "untrained-public"]),
  inSight: z.boolean(),
  breaker: text(120).describe("Where the breaker is and how it is marked."),
  notes: text(4_000),
  serviceMonths: within(1, 60, "months"),
});

const word20 = z.string().min(1).max(20);

export const cableSizeSchema = z.literal([...conductorSizesMm2]);
export const runSchema = z
  .string()
  .trim()
  .min(1)
  .max(40)
  .optional()
  .describe("Name of a cable that several devices share; left out, a cable of its own.");

const cableSchema = z.strictObject({
  lengthM: z.number("a length in m").positive("a length over 0 m").max(500, "at most 500 m"),
  sizeMm2: cableSizeSchema,
  run: runSchema,
});

const instanceSchema = z.strictObject({
  id: idSchema,
  device: ref,
  name: needed(80, "a name that tells it from the others"),
  leaf: z.enum(leafIds).optional().describe("For a drive: the leaf it moves."),
  cables: z.record(idSchema, cableSchema),
  pinned: z
    .record(idSchema, word20)
    .optional()
    .describe("Terminals that pins shall go to, by pin, whatever the plan would choose."),
  cores: z
    .record(idSchema, z.enum(coreColours))
    .optional()
    .describe("Core colours found where they differ from the device's data, by pin."),
  jumpersOn: z.array(idSchema).max(8).optional().describe("Jumpers of the device found on."),
  clearanceMm: within(0, 10_000, "mm").optional().describe("Free space found beside its housing, mm."),
});

const foundSchema = z.strictObject({
  noted: z.boolean().describe("True once links, switches and dials were noted before anything was touched."),
  firmware: text(20),
  links: z.record(idSchema, z.enum(["in", "out"])),
  switches: z.record(idSchema, z.string().min(1).max(40)).describe("Switches, slides and jumpers."),
  dials: z.record(idSchema, z.string().refine(isClock, 'a clock time such as "7:30"')),
  values: z.record(idSchema, z.string().min(1).max(40)).default({}).describe("What menu entries showed."),
});

const wishesSchema = z.partialRecord(
  z.enum(behaviourIds),
  z.union([z.boolean(), z.number(), z.string().max(40)]),
);

/** A job: the site, what is wanted, and what was chosen for it. */
export const jobSchema = z.strictObject({
  id: idSchema,
  title: needed(120, "a title"),
  site: siteSchema,
  installer: text(80),
  survey: surveySchema,
  wishes: wishesSchema,
  preset: begunSchema.optional().describe("The preset it began with."),
  overruled: z
    .array(z.enum(behaviourIds))
    .max(behaviourIds.length)
    .optional()
    .describe("Behaviours that the site would decide, and that the wish decides all the same."),
  board: ref,
  cards: z
    .array(idSchema)
    .max(12)
    .optional()
    .describe("Cards fitted; left out, those a new board comes with."),
  chosen: z
    .array(idSchema)
    .max(40)
    .optional()
    .describe(
      "Procedures of the board chosen for it: those that replace another, and those done only where wanted.",
    ),
  proof: z
    .enum(["before", "after"])
    .optional()
    .describe("Protections are proved before the board is programmed, or after; left out, before."),
  devices: z.array(instanceSchema).max(60, "at most 60 devices"),
  assumed: z
    .array(z.string().min(1).max(120))
    .max(400)
    .optional()
    .describe("Sizes, masses and lengths that nobody has measured: the draft's, until they are confirmed."),
  found: foundSchema,
});

const entry = {
  id: idSchema.describe("Chosen by the writer, so that sending an entry twice stores it once."),
  at: z.iso.datetime().describe("When it happened, UTC."),
  by: text(80),
};

/** A finding as it stood at one moment: told in words, so that it can be read when its board is no longer at hand. */
const openFindingSchema = z.strictObject({
  severity: z.enum(["danger", "fault", "caution", "note"]),
  what: needed(1_000, "what is so"),
});

/** Changes of the mechanics that what was learned and measured rests on. */
export const mechanics = ["spring", "limit", "hinge", "belt", "leaf", "drive"] as const;

/** Something that happened on site; entries are only ever added. */
export const logEntrySchema = z.discriminatedUnion("kind", [
  z.strictObject({
    ...entry,
    kind: z.literal("step"),
    step: z.string().min(1).max(200),
    station: z.string().min(1).max(40),
    title: z.string().min(1).max(300),
    outcome: z.enum(["seen", "not-seen", "withdrawn"]),
    effects: z.array(effectSchema).max(20),
    note: text(2_000).optional(),
    readings: z
      .array(
        z.strictObject({
          quantity: needed(80, "what was measured"),
          value: z.number("a number"),
          unit: text(12),
        }),
      )
      .min(1)
      .max(24)
      .optional()
      .describe("What the instrument showed, in the order it was asked for."),
    rests: z
      .array(z.strictObject({ fact: z.string().min(1).max(120), is: z.string().max(300) }))
      .max(80)
      .optional()
      .describe("What the answer rests on, as it was then: when one of these changes, it no longer holds."),
    drawnFrom: z
      .strictObject({
        version: z.number().int().min(0),
        log: z.number().int().min(0),
        device: idSchema.describe("Phone or desk that sent it; its own answers never contradict it."),
        knows: idSchema.optional().describe("The answer to this step that stood on the card."),
      })
      .optional()
      .describe("The plan whose card was answered: the job's version and how long the log was."),
  }),
  z
    .strictObject({ ...entry, kind: z.literal("wired"), moves: z.array(moveSchema).min(1).max(200) })
    .describe("Where cores were found, or were put, whatever is planned."),
  z
    .strictObject({
      ...entry,
      kind: z.literal("settings"),
      as: z.enum(["found", "left"]),
      links: foundSchema.shape.links.optional(),
      switches: foundSchema.shape.switches.optional(),
      dials: foundSchema.shape.dials.optional(),
      values: z.record(idSchema, z.string().min(1).max(40)).optional(),
      complete: z.boolean().optional().describe("Everything was looked at, and stands as it is kept here."),
    })
    .describe("How controls were found on a later visit, or were left, whatever the steps say."),
  z
    .strictObject({
      ...entry,
      kind: z.literal("begun"),
      procedure: idSchema,
      reason: needed(2_000, "a reason"),
    })
    .describe("A procedure of the board was begun because it was needed; its steps join the run sheet."),
  z
    .strictObject({
      ...entry,
      kind: z.literal("mechanical"),
      what: z.enum(mechanics),
      note: text(2_000).optional(),
    })
    .describe("Something was changed at the leaf or its drive."),
  z.strictObject({
    ...entry,
    kind: z.literal("note"),
    text: needed(2_000, "a note"),
    station: text(40).optional(),
  }),
  z
    .strictObject({ ...entry, kind: z.literal("board-taken"), from: ref, to: ref })
    .describe("The job went over to another revision of its board."),
  z
    .strictObject({
      ...entry,
      kind: z.literal("gate-passed"),
      gates: z
        .array(z.strictObject({ id: z.string().min(1).max(2_000), what: needed(1_000, "what stood open") }))
        .min(1)
        .max(60),
      reason: needed(2_000, "a reason"),
    })
    .describe(
      "What should have come first was passed over, with the reason; it holds for these gates and no others.",
    ),
  z.strictObject({
    ...entry,
    kind: z.literal("handed-over"),
    to: needed(120, "who took it over"),
    open: z
      .strictObject({
        steps: z.array(z.string().min(1).max(300)).max(2_000),
        findings: z.array(openFindingSchema).max(500),
      })
      .optional()
      .describe("Steps without a seen and findings that still stood."),
  }),
  z
    .strictObject({ ...entry, kind: z.literal("reopened"), reason: needed(2_000, "a reason") })
    .describe("A job that was handed over is open to changes again."),
]);

/** The format that bundles are written in. */
export const jobFormat = "anvilcloud/job@3";

/** A job with all it needs: profiles and log; the one file that is exported and imported. */
export const bundleSchema = z.strictObject({
  format: z.literal(jobFormat),
  job: jobSchema,
  board: z.unknown(),
  devices: z.array(z.unknown()).max(60),
  log: z.array(logEntrySchema),
});

export type Job = z.output<typeof jobSchema>;
export type Leaf = z.output<typeof leafSchema>;
export type LeafId = Leaf["id"];
export type DeviceInstance = z.output<typeof instanceSchema>;
export type Cable = z.output<typeof cableSchema>;
export type LogEntry = z.output<typeof logEntrySchema>;
export type OpenFinding = z.output<typeof openFindingSchema>;
export type SettingsEntry = Extract<LogEntry, { kind: "settings" }>;
export type Mechanic = (typeof mechanics)[number];
export type StepEntry = Extract<LogEntry, { kind: "step" }>;
