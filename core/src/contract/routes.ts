import { z } from "zod";
import { idSchema } from "../board/index.ts";
import { runFileSchema, sweepFileSchema } from "../replay/index.ts";
import { bundleSchema, jobSchema, logEntrySchema, presetSchema } from "../job/index.ts";
import {
  boardBody,
  boardsSchema,
  boardUsesSchema,
  deviceBody,
  devicesSchema,
  healthSchema,
  importedSchema,
  importQuerySchema,
  jobPlaceSchema,
  jobsPageSchema,
  jobsQuerySchema,
  logPageSchema,
  newCopySchema,
  newJobSchema,
  newSessionSchema,
  overviewSchema,
  presetsSchema,
  whereaboutsSchema,
  revisionsSchema,
  sessionSchema,
  storedJobSchema,
} from "./bodies.ts";

/** An address of the server: what it takes, and what it answers. */
export interface Route {
  method: "get" | "post" | "put" | "delete";
  /** With its parameters in braces. */
  path: string;
  says: string;
  query?: z.ZodObject;
  /** What is sent: a document, or the text of a profile. */
  takes?: z.ZodType | "yaml";
  /** True where a change needs the version it was made from, in If-Match. */
  versioned?: boolean;
  /** What comes back when all is well, by status; undefined for nothing, "yaml" for a text, "ndjson" for lines of JSON. */
  answers: Readonly<Record<number, z.ZodType | "yaml" | "ndjson" | undefined>>;
  /** Statuses of refusals beside 400 and 422, each with when it comes. */
  refuses?: Readonly<Record<number, string>>;
}

const noSuch = { 404: "There is no such thing." };
const changed = {
  412: "It was changed elsewhere meanwhile; the answer holds both versions.",
  428: "If-Match is missing.",
};
const busy = { 503: "There is too much to do just now; Retry-After says when to ask again." };
const revision = z.object({ revision: z.coerce.number().int().min(1).optional() });
const oneRevision = z.object({ revision: z.coerce.number().int().min(1) });
const stays = { 409: "It came with the program, or a job was made with it: it stays." };

/** Every address of the server, in the order of its reference. */
export const routes = [
  { method: "get", path: "/api/health", says: "Whether the server lives.", answers: { 200: healthSchema } },
  {
    method: "get",
    path: "/api/session",
    says: "Whether the passphrase is needed, or was given.",
    answers: { 200: sessionSchema },
  },
  {
    method: "post",
    path: "/api/session",
    says: "Signs in with the passphrase; the answer's cookie stands for it from then on.",
    takes: newSessionSchema,
    answers: { 204: undefined },
    refuses: {
      403: "It is another passphrase.",
      409: "No passphrase is needed here.",
      429: "There were too many attempts; Retry-After says when to try again.",
    },
  },
  {
    method: "delete",
    path: "/api/session",
    says: "Signs out.",
    answers: { 204: undefined },
  },
  {
    method: "get",
    path: "/api/whereabouts",
    says: "Where a phone finds this server, and how it comes to trust it.",
    answers: { 200: whereaboutsSchema },
  },
  {
    method: "get",
    path: "/api/jobs",
    says: "A page of the jobs that were asked for.",
    query: jobsQuerySchema,
    answers: { 200: jobsPageSchema },
  },
  {
    method: "get",
    path: "/api/overview",
    says: "What calls for someone: service due, opened again, waiting, under way; and how many jobs there are of each kind.",
    answers: { 200: overviewSchema },
  },
  {
    method: "post",
    path: "/api/jobs",
    says: "Begins a job on a board.",
    takes: newJobSchema,
    answers: { 201: storedJobSchema },
  },
  {
    method: "get",
    path: "/api/jobs/{id}",
    says: "A job with its profiles; its version is the ETag.",
    answers: { 200: storedJobSchema },
    refuses: noSuch,
  },
  {
    method: "put",
    path: "/api/jobs/{id}",
    says: "Stores a job.",
    takes: jobSchema,
    versioned: true,
    answers: { 200: storedJobSchema },
    refuses: { ...noSuch, ...changed, 409: "It was handed over, and has to be opened again first." },
  },
  {
    method: "delete",
    path: "/api/jobs/{id}",
    says: "Removes a job on which nothing happened.",
    versioned: true,
    answers: { 204: undefined },
    refuses: { ...noSuch, ...changed, 409: "The job has a log: it is a record and stays." },
  },
  {
    method: "post",
    path: "/api/jobs/{id}/copies",
    says: "Begins a job like another, with nothing of what was found or done there.",
    takes: newCopySchema,
    answers: { 201: storedJobSchema },
    refuses: noSuch,
  },
  {
    method: "put",
    path: "/api/jobs/{id}/place",
    says: "Puts a job on another shelf, or says what it waits for; the job itself stays as it is.",
    takes: jobPlaceSchema,
    answers: { 204: undefined },
    refuses: noSuch,
  },
  {
    method: "get",
    path: "/api/jobs/{id}/log",
    says: "What happened on site, in the order it was written: a page of it.",
    query: z.object({ after: z.coerce.number().int().min(0).optional() }),
    answers: { 200: logPageSchema },
    refuses: noSuch,
  },
  {
    method: "post",
    path: "/api/jobs/{id}/log",
    says: "Adds an entry; sent twice it is stored once.",
    takes: logEntrySchema,
    answers: { 201: logEntrySchema, 200: logEntrySchema },
    refuses: {
      ...noSuch,
      409: "The job was handed over, its id is taken by another entry, or someone else has answered the step since: the answer holds theirs.",
    },
  },
  {
    method: "get",
    path: "/api/jobs/{id}/bundle",
    says: "The whole job as one file.",
    answers: { 200: bundleSchema },
    refuses: noSuch,
  },
  {
    method: "post",
    path: "/api/bundles",
    says: "Imports a job file of any format so far: as the job it is, as a copy of its own, or as a later state of the job that is here.",
    query: importQuerySchema,
    takes: bundleSchema,
    answers: { 201: importedSchema },
    refuses: {
      409: "The job is here already: the answer holds both documents and how their logs differ. Or it was handed over, or entries of one id say different things.",
      412: "The job here was changed since it was compared.",
      ...busy,
    },
  },
  {
    method: "post",
    path: "/api/plan",
    says: "Plans a job file and stores nothing.",
    takes: bundleSchema,
    answers: { 200: z.looseObject({}) },
    refuses: busy,
  },
  {
    method: "post",
    path: "/api/plan/sights",
    says: "How a step of a job file should look, and how it would with each single fault that shows in it, those met most often first; stores nothing.",
    query: z.object({ step: z.string().max(200).optional() }),
    takes: bundleSchema,
    answers: { 200: z.looseObject({ due: z.looseObject({}), faulty: z.array(z.looseObject({})) }) },
    refuses: { ...noSuch, ...busy },
  },
  {
    method: "post",
    path: "/api/runs",
    says: "Plays a run of the twin on the job that is sent with it, and stores nothing.",
    takes: runFileSchema,
    answers: { 200: z.looseObject({ mark: z.string(), seconds: z.number() }) },
    refuses: busy,
  },
  {
    method: "post",
    path: "/api/sweeps",
    says: "Plays a run with every seed and fault of a sweep: a line of JSON for each as it is done, with its place and of how many.",
    takes: sweepFileSchema,
    answers: { 200: "ndjson" },
    refuses: busy,
  },
  {
    method: "get",
    path: "/api/boards",
    says: "Every board, newest revisions.",
    answers: { 200: boardsSchema },
  },
  {
    method: "post",
    path: "/api/boards",
    says: "Stores a profile, or a revision of one.",
    takes: "yaml",
    answers: { 201: boardBody },
    refuses: { 409: "Its revision is taken, or too far past the newest.", ...busy },
  },
  {
    method: "get",
    path: "/api/boards/{id}",
    says: "One board.",
    query: revision,
    answers: { 200: boardBody },
    refuses: noSuch,
  },
  {
    method: "delete",
    path: "/api/boards/{id}",
    says: "Removes a revision that was written here and that no job uses.",
    query: oneRevision,
    answers: { 204: undefined },
    refuses: { ...noSuch, ...stays },
  },
  {
    method: "get",
    path: "/api/boards/{id}/revisions",
    says: "Its revisions, the newest first.",
    answers: { 200: revisionsSchema },
    refuses: noSuch,
  },
  {
    method: "get",
    path: "/api/boards/{id}/jobs",
    says: "The jobs made on it.",
    answers: { 200: boardUsesSchema },
  },
  {
    method: "get",
    path: "/api/boards/{id}/source",
    says: "Its text as it was written.",
    query: revision,
    answers: { 200: "yaml" },
    refuses: noSuch,
  },
  { method: "get", path: "/api/devices", says: "Every device.", answers: { 200: devicesSchema } },
  {
    method: "post",
    path: "/api/devices",
    says: "Stores a device of someone's own.",
    takes: "yaml",
    answers: { 201: deviceBody },
    refuses: { 409: "Its revision is taken, or too far past the newest.", ...busy },
  },
  {
    method: "delete",
    path: "/api/devices/{id}",
    says: "Removes a revision that was written here and that no job uses.",
    query: oneRevision,
    answers: { 204: undefined },
    refuses: { ...noSuch, ...stays },
  },
  {
    method: "get",
    path: "/api/presets",
    says: "What each kind of installation usually wants.",
    answers: { 200: presetsSchema },
  },
  {
    method: "post",
    path: "/api/presets",
    says: "Stores a preset of someone's own, or a revision of one.",
    takes: presetSchema,
    answers: { 201: presetSchema },
    refuses: { 409: "Its revision is taken, or too far past the newest." },
  },
  {
    method: "delete",
    path: "/api/presets/{id}",
    says: "Removes a revision that was written here.",
    query: oneRevision,
    answers: { 204: undefined },
    refuses: { ...noSuch, ...stays },
  },
  {
    method: "get",
    path: "/api/schemas/{name}",
    says: "The JSON Schema of a format.",
    answers: { 200: z.looseObject({}) },
    refuses: noSuch,
  },
  {
    method: "get",
    path: "/api/openapi.json",
    says: "This description.",
    answers: { 200: z.looseObject({}) },
  },
] as const satisfies readonly Route[];

/** A parameter of a path. */
export const pathParameter = idSchema;
