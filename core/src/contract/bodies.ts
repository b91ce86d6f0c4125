import { z } from "zod";
import { boardSchema, idSchema, type BoardProfile } from "../board/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import { jobStandings } from "../record/index.ts";
import { jobSchema, logEntrySchema, presetSchema } from "../job/index.ts";

/** A profile as it was read: its own published schema says what stands in it. */
const profile = <Profile>(kind: "board" | "device") =>
  z.custom<Profile>().meta({
    type: "object",
    description: `A ${kind} profile; its schema is /api/schemas/${kind}.json.`,
  });
const board = profile<BoardProfile>("board");
const device = profile<DeviceProfile>("device");
const revision = z.number().int().min(1);
const version = z.number().int().min(1).describe("Rises with every save.");
const moment = z.string().describe("ISO 8601, UTC.");

/** A job as it is stored: the document, the profiles it was made with, and its version. */
export const storedJobSchema = z.strictObject({
  version,
  job: jobSchema,
  board,
  devices: z.array(device),
});

/** Where a job is kept: among the jobs, as a template for others, put away, or thrown away. */
const shelfSchema = z.enum(["jobs", "templates", "archive", "bin"]);

/** How a job stands, by its log; what waits is told by its installer, or has a step that was not seen. */
const standingSchema = z.enum(jobStandings);

/** A line of the list of jobs. */
const jobSummarySchema = z.strictObject({
  id: idSchema,
  title: z.string(),
  customer: z.string(),
  town: z.string(),
  board: z.string(),
  version,
  updatedAt: moment,
  shelf: shelfSchema,
  standing: standingSchema,
  waitsFor: z.string().describe("What it waits for, as its installer says; empty where for nothing."),
  answered: z.number().int().describe("Steps that are answered."),
  unseen: z.number().int().describe("Steps of them that were not seen as they should be."),
  handedOverAt: moment.nullable(),
  nextService: z.iso.date().nullable().describe("The day its next service is due; once it is handed over."),
  reopened: z.string().nullable().describe("Why it was opened again after its hand-over."),
});

export const jobsPageSchema = z.strictObject({
  jobs: z.array(jobSummarySchema),
  total: z.number().int(),
  page: z.number().int().min(0),
  pageSize: z.number().int().min(1),
});

const day = z.iso.date();

/** What a list of jobs is asked for: words that all occur in it, how it stands, where it is, in which order. */
export const jobsQuerySchema = z.strictObject({
  page: z.coerce.number().int().min(0).max(1e6).default(0),
  find: z.string().max(200).default(""),
  shelf: shelfSchema.default("jobs"),
  standing: standingSchema.optional(),
  due: day.optional().describe("Service due on this day or before."),
  board: idSchema.optional(),
  town: z.string().max(80).optional(),
  sort: z.enum(["changed", "title", "customer", "town", "board", "standing", "due"]).default("changed"),
  order: z.enum(["up", "down"]).optional().describe("Left out: the latest change first, all else upwards."),
});

const someJobs = z.strictObject({ total: z.number().int(), jobs: z.array(jobSummarySchema) });
const counted = <T extends z.ZodType>(what: T) =>
  z.array(z.strictObject({ of: what, name: z.string(), jobs: z.number().int() }));

/** What calls for someone, and what the list of jobs can be narrowed to. */
export const overviewSchema = z.strictObject({
  due: someJobs.describe("Service is due."),
  openedAgain: someJobs,
  waiting: someJobs,
  underWay: someJobs,
  shelves: counted(shelfSchema),
  standings: counted(standingSchema),
  boards: counted(idSchema),
  towns: counted(z.string()),
});

/** Where a job is to be kept, or what it waits for; what is left out stays. */
export const jobPlaceSchema = z.strictObject({
  shelf: shelfSchema.optional(),
  waitsFor: z.string().max(200).optional(),
});

/** What a copy of a job is called, and whose it is; left out, the same customer's. */
export const newCopySchema = z.strictObject({
  title: jobSchema.shape.title,
  customer: jobSchema.shape.site.shape.customer.optional(),
});

/** How a job file meets the job that is here already: it is told of, or taken as a job of its own or as a later state. */
export const importQuerySchema = z.strictObject({
  as: z.enum(["new", "copy", "later"]).default("new"),
  version: z.coerce
    .number()
    .int()
    .min(1)
    .optional()
    .describe("For a later state: the version that it was compared with."),
});

/** A job file beside the job that is here: both documents, and what each log has that the other lacks. */
export const importMeetsSchema = z.strictObject({
  version,
  here: jobSchema,
  file: jobSchema,
  log: z.strictObject({
    both: z.number().int(),
    onlyHere: z.number().int(),
    onlyFile: z.number().int(),
    unlike: z.number().int().describe("Entries of one id that say different things."),
  }),
});

/** What a new job begins with. */
export const newJobSchema = z.strictObject({
  title: jobSchema.shape.title,
  customer: jobSchema.shape.site.shape.customer,
  board: boardSchema.shape.id,
});

export const logPageSchema = z.strictObject({
  log: z.array(logEntrySchema),
  next: z.number().int().nullable().describe("What to read after for the next page; null on the last."),
});

export const importedSchema = z.strictObject({ id: idSchema, version });

export const boardsSchema = z.strictObject({
  boards: z.array(board),
  jobs: z.record(idSchema, z.number().int()).describe("How many jobs are made on each."),
});

const boardUseSchema = z.strictObject({
  id: idSchema,
  title: z.string(),
  revision,
  handedOver: z.boolean(),
});

export const boardUsesSchema = z.strictObject({ jobs: z.array(boardUseSchema) });

export const revisionsSchema = z.strictObject({
  revisions: z.array(z.strictObject({ revision, origin: z.enum(["shipped", "retired", "own"]) })),
});

export const devicesSchema = z.strictObject({
  devices: z.array(device),
  own: z
    .array(z.strictObject({ id: idSchema, revision, name: z.string() }))
    .describe("Revisions that were written here."),
});

export const presetsSchema = z.strictObject({
  presets: z.array(presetSchema),
  own: z
    .array(z.strictObject({ id: idSchema, revision, name: z.string() }))
    .describe("Revisions that were written here."),
});

export const healthSchema = z.strictObject({
  status: z.literal("ok"),
  database: z
    .enum(["ok", "in-use", "failing"])
    .describe("Whether it answers, is held by another, or is broken."),
});

/** Whether someone has to give the passphrase, or has. */
export const sessionSchema = z.strictObject({ signIn: z.enum(["not-needed", "needed", "done"]) });

export const newSessionSchema = z.strictObject({ passphrase: z.string().min(1).max(200) });

/** Where a phone finds this server, and what it has to be told to trust first. */
export const whereaboutsSchema = z.strictObject({
  addresses: z
    .array(z.string())
    .describe("Where others reach it; none where it listens on its own machine only."),
  trust: z
    .strictObject({
      address: z.string().describe("The page that says how to trust it."),
      fingerprint: z.string().describe("SHA-256 of the authority's certificate."),
    })
    .nullable()
    .describe("Null where no certificate was made here."),
  code: z.string().nullable().describe("An address as a QR code, SVG."),
});

/** What is wrong with a request, as RFC 9457 has it. */
export const problemSchema = z.looseObject({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
});

export { board as boardBody, device as deviceBody };

export type StoredJob = z.output<typeof storedJobSchema>;
export type JobSummary = z.output<typeof jobSummarySchema>;
export type JobsPage = z.output<typeof jobsPageSchema>;
export type JobsQuery = z.output<typeof jobsQuerySchema>;
export type Overview = z.output<typeof overviewSchema>;
export type JobPlace = z.output<typeof jobPlaceSchema>;
export type NewCopy = z.output<typeof newCopySchema>;
export type ImportQuery = z.output<typeof importQuerySchema>;
export type ImportMeets = z.output<typeof importMeetsSchema>;
export type Shelf = z.output<typeof shelfSchema>;
export type NewJob = z.output<typeof newJobSchema>;
export type LogPage = z.output<typeof logPageSchema>;
export type SessionState = z.output<typeof sessionSchema>;
export type Whereabouts = z.output<typeof whereaboutsSchema>;
export type Revisions = z.output<typeof revisionsSchema>;
export type PresetCatalogue = z.output<typeof presetsSchema>;
export type DeviceCatalogue = z.output<typeof devicesSchema>;
export type BoardUse = z.output<typeof boardUseSchema>;
