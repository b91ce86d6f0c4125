import { randomUUID } from "node:crypto";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import slugify from "@sindresorhus/slugify";
import {
  jobFormat,
  checkJob,
  checkLog,
  copyJob,
  draftJob,
  importQuerySchema,
  jobPlaceSchema,
  jobSchema,
  jobsQuerySchema,
  logEntrySchema,
  newCopySchema,
  newJobSchema,
  parseWith,
  profileOf,
  ProblemsError,
  upgradeEntry,
  type DeviceProfile,
  type Job,
  type LogEntry,
  type StoredJob,
} from "@anvilcloud/core";
import { Router, type Request } from "express";
import type { Knex } from "knex";
import type { z } from "zod";
import { findJob, findJobJson, hasJob, insertJob, removeJob, replaceJob } from "../store/jobs.ts";
import { listJobs, overview, pageSize, placeJob } from "../store/list.ts";
import { appendLog, hasLog, logPages, readLogPage } from "../store/log.ts";
import { findProfile } from "../store/profiles.ts";
import type { Work } from "../work/pool.ts";
import { bundleText } from "./bundle-text.ts";
import { setVersion, wantedVersion } from "./etag.ts";
import { whileThere } from "./gone.ts";
import { jsonBody, jsonText, jsonTextOf } from "./json-body.ts";
import { HttpProblem } from "./problem.ts";
import { spooled } from "./spool.ts";

/** Largest document of one job, largest job file that is planned, and largest that is imported, bytes. */
const limits = { job: "256kb", plan: "5mb", bundle: 1_000_000_000 } as const;

/** A readable id from a title, with a tail of its own. */
const jobId = (title: string): string =>
  `${slugify(title).slice(0, 40).replace(/-+$/, "") || "job"}-${randomUUID().slice(0, 6)}`;

const noSuchJob = (id: string) =>
  new HttpProblem(404, "No such job", `There is no job ${JSON.stringify(id)} here.`);

const handedOver = (id: string) =>
  new HttpProblem(
    409,
    "Handed over",
    `Job ${JSON.stringify(id)} was handed over and takes notes only. Open it again with a reason first.`,
  );

/** Why a job file was not taken as a later state of the job here. */
function notLater({ refused, id }: { refused: "moved" | "closed" | "unlike"; id: string }): HttpProblem {
  switch (refused) {
    case "closed":
      return handedOver(id);
    case "moved":
      return new HttpProblem(
        412,
        "Changed elsewhere",
        `Job ${JSON.stringify(id)} was changed since the file was compared with it. Nothing was imported; compare again.`,
      );
    case "unlike":
      return new HttpProblem(
        409,
        "The logs contradict each other",
        `The log of the file and that of job ${JSON.stringify(id)} have entries of one id that say different things. Nothing was imported; import it as a copy.`,
      );
  }
}

async function mustFind(knex: Knex, id: string): Promise<StoredJob> {
  const stored = await findJob(knex, id);
  if (!stored) throw noSuchJob(id);
  return stored;
}

/** The device profiles a job refers to: those it was made with first, then the catalogue's; what it no longer uses stays. */
async function devicesFor(knex: Knex, job: Job, known: readonly DeviceProfile[]): Promise<DeviceProfile[]> {
  const devices = [...known];
  for (const { device } of job.devices) {
    if (profileOf(devices, device)) continue;
    const found = await findProfile(knex, "device", device);
    if (found) devices.push(found);
  }
  return devices;
}

async function checked(knex: Knex, job: Job, stored: StoredJob): Promise<Omit<StoredJob, "version">> {
  const same = stored.board.id === job.board.id && stored.board.revision === job.board.revision;
  const board = same ? stored.board : ((await findProfile(knex, "board", job.board)) ?? stored.board);
  const devices = await devicesFor(knex, job, stored.devices);
  const problems = checkJob(job, board, devices, "request");
  if (problems.length) throw new ProblemsError(problems);
  return { job, board, devices };
}

/** What going over to another revision of its board leaves in a job's log; nothing where it stays on its own. */
function boardTaken(
  { job: { board: from } }: StoredJob,
  { board: to, installer }: Job,
  at: string,
): LogEntry[] {
  if (from.id === to.id && from.revision === to.revision) return [];
  const id = randomUUID();
  return [{ id, at, by: installer, kind: "board-taken", from, to }];
}

/** The step that an address names; ids are far shorter than this. */
function stepOf({ query: { step } }: Request): string {
  if (typeof step !== "string" || step === "" || step.length > 200)
    throw new HttpProblem(
      400,
      "Query not understood",
      `step: expected the id of a step of the plan, found ${JSON.stringify(step)?.slice(0, 80)}.`,
    );
  return step;
}

/** A query as its schema has it. */
function parseQuery<T extends z.ZodType>(schema: T, { query }: Request): z.output<T> {
  try {
    return parseWith(schema, query, "query");
  } catch (error) {
    if (!(error instanceof ProblemsError)) throw error;
    throw new HttpProblem(400, "Query not understood", error.message);
  }
}

/** A whole number of a query; 0 where it is left out. */
function countOf(request: Request, name: "after", most: number): number {
  const count = Number(request.query[name] ?? 0);
  if (!Number.isInteger(count) || count < 0 || count > most)
    throw new HttpProblem(
      400,
      "Query not understood",
      `${name}: expected a whole number from 0, found ${JSON.stringify(request.query[name])}.`,
    );
  return count;
}

/** What the routes of jobs work with. */
export interface JobParts {
  knex: Knex;
  work: Work;
  /** The database's file, and the folder in which job files arrive. */
  database: string;
  incoming: string;
  /** The time as ISO 8601. */
  now: () => string;
}

/** Jobs, their logs and bundles. */
export function jobRoutes({ knex, work, database, incoming, now }: JobParts): Router {
  const routes = Router();
  const json = jsonBody(limits.job);

  routes.get("/jobs", async (request, response) => {
    const query = parseQuery(jobsQuerySchema, request);
    response.json({ ...(await listJobs(knex, query)), page: query.page, pageSize });
  });

  routes.get("/overview", async (_request, response) => {
    response.json(await overview(knex, now().slice(0, 10)));
  });

  routes.post("/jobs", json, async (request, response) => {
    const wanted = parseWith(newJobSchema, request.body, "request");
    const board = await findProfile(knex, "board", { id: wanted.board });
    if (!board)
      throw new HttpProblem(
        422,
        "No such board",
        `board: expected a board of the catalogue, found ${JSON.stringify(wanted.board)}. Choose one from /api/boards.`,
      );
    const job = draftJob(jobId(wanted.title), wanted.title, wanted.customer, board);
    await insertJob(knex, { job, board, devices: [], log: [] }, now());
    setVersion(response, 1);
    response.status(201).location(`/api/jobs/${job.id}`).json({ version: 1, job, board, devices: [] });
  });

  routes.get("/jobs/:id", async (request, response) => {
    const found = await findJobJson(knex, request.params.id);
    if (!found) throw noSuchJob(request.params.id);
    setVersion(response, found.version);
    response.type("application/json").send(found.json);
  });

  routes.put("/jobs/:id", json, async (request, response) => {
    const id = String(request.params.id);
    const version = wantedVersion(request);
    const stored = await mustFind(knex, id);
    const job = parseWith(jobSchema, request.body, "request");
    if (job.id !== id)
      throw new HttpProblem(
        422,
        "Another job's id",
        `id: expected ${JSON.stringify(id)}, found ${JSON.stringify(job.id)}. A job keeps its id.`,
      );
    const next = await checked(knex, job, stored);
    const result = await replaceJob(knex, next, version, now(), boardTaken(stored, job, now()));
    if (result === "closed") throw handedOver(id);
    if (result === "moved") {
      const current = await mustFind(knex, id);
      setVersion(response, current.version);
      throw new HttpProblem(
        412,
        "Changed elsewhere",
        `This job is at version ${current.version}; your change was made from version ${version}. Nothing was saved.`,
        { current, yours: job },
      );
    }
    setVersion(response, version + 1);
    response.json({ version: version + 1, ...next });
  });

  routes.delete("/jobs/:id", async (request, response) => {
    const id = String(request.params.id);
    const version = wantedVersion(request);
    const stored = await mustFind(knex, id);
    if (await hasLog(knex, id))
      throw new HttpProblem(
        409,
        "The job has a log",
        "A job with a log is a record and stays. Only a job on which nothing happened can be removed.",
      );
    if (!(await removeJob(knex, id, version)))
      throw new HttpProblem(
        412,
        "Changed elsewhere",
        `This job is at version ${stored.version}, not ${version}. Look at it again.`,
      );
    response.status(204).end();
  });

  routes.post("/jobs/:id/copies", json, async (request, response) => {
    const { job, board, devices } = await mustFind(knex, String(request.params.id));
    const { title, customer = job.site.customer } = parseWith(newCopySchema, request.body, "request");
    const copy = copyJob(job, { id: jobId(title), title, customer });
    await insertJob(knex, { job: copy, board, devices, log: [] }, now());
    setVersion(response, 1);
    response.status(201).location(`/api/jobs/${copy.id}`).json({ version: 1, job: copy, board, devices });
  });

  routes.put("/jobs/:id/place", json, async (request, response) => {
    const id = String(request.params.id);
    const place = parseWith(jobPlaceSchema, request.body, "request");
    if (!(await placeJob(knex, id, place))) throw noSuchJob(id);
    response.status(204).end();
  });

  routes.get("/jobs/:id/log", async (request, response) => {
    const { id } = request.params;
    const after = countOf(request, "after", Number.MAX_SAFE_INTEGER);
    if (!(await hasJob(knex, id))) throw noSuchJob(id);
    response.json(await readLogPage(knex, id, after));
  });

  routes.post("/jobs/:id/log", json, async (request, response) => {
    const id = String(request.params.id);
    const { board } = await mustFind(knex, id);
    const entry = parseWith(logEntrySchema, upgradeEntry(request.body), "request");
    const problems = checkLog([entry], board, "request");
    if (problems.length) throw new ProblemsError(problems);
    const result = await appendLog(knex, id, entry, now());
    if (typeof result === "object")
      throw new HttpProblem(
        409,
        "Answered elsewhere meanwhile",
        `${result.theirs.by || "Someone"} has answered this step since its card was drawn. Nothing was stored; look at both answers.`,
        { theirs: result.theirs, yours: entry },
      );
    if (result === "closed") throw handedOver(id);
    if (result === "other")
      throw new HttpProblem(
        409,
        "Entry id taken",
        `The log holds another entry with id ${JSON.stringify(entry.id)}. Give a new id.`,
      );
    response.status(result === "stored" ? 201 : 200).json(entry);
  });

  routes.get("/jobs/:id/bundle", async (request, response) => {
    const { id } = request.params;
    const { job, board, devices } = await mustFind(knex, id);
    response.attachment(`${id}.anvilcloud.json`).type("application/json");
    const parts = bundleText({ format: jobFormat, job, board, devices }, logPages(knex, id));
    await pipeline(Readable.from(parts), response).catch((error: unknown) => {
      // Who has gone misses the rest; that is no fault.
      if (!response.destroyed) throw error;
    });
  });

  routes.post("/bundles", async (request, response) => {
    const how = parseQuery(importQuerySchema, request);
    if (how.as === "later" && how.version === undefined)
      throw new HttpProblem(
        400,
        "Query not understood",
        "version: expected the version that the file was compared with, found nothing. It stands in the answer that says that the job is here already.",
      );
    const imported = await spooled(request, { folder: incoming, most: limits.bundle }, (file) =>
      work.run(
        "importJob",
        { file, database, now: now(), copyId: jobId("copy"), ...how },
        whileThere(response),
      ),
    );
    if ("meets" in imported) {
      const { here } = imported.meets;
      throw new HttpProblem(
        409,
        "Job is here already",
        `A job ${JSON.stringify(here.id)} is here already. Nothing was imported; import it as a copy, or as a later state of the one here.`,
        { meets: imported.meets },
      );
    }
    if ("refused" in imported) throw notLater(imported);
    setVersion(response, imported.version);
    response.status(201).location(`/api/jobs/${imported.id}`).json(imported);
  });

  routes.post("/plan", jsonText(limits.plan), async (request, response) => {
    const plan = await work.run("plan", jsonTextOf(request), whileThere(response));
    response.type("application/json").send(plan);
  });

  routes.post("/plan/sights", jsonText(limits.plan), async (request, response) => {
    const step = stepOf(request);
    const sights = await work.run("sights", { text: jsonTextOf(request), step }, whileThere(response));
    if (sights === undefined)
      throw new HttpProblem(
        404,
        "No such step",
        `The plan of this job has no step ${JSON.stringify(step)}. Take its id from the sheet of POST /api/plan.`,
      );
    response.type("application/json").send(sights);
  });

  return routes;
}
