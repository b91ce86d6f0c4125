import { randomUUID } from "node:crypto";
import {
  checkJob,
  copyJob,
  draftJob,
  jobPlaceSchema,
  jobSchema,
  jobsQuerySchema,
  newCopySchema,
  newJobSchema,
  parseWith,
  profileOf,
  ProblemsError,
  type DeviceProfile,
  type Job,
  type LogEntry,
  type StoredJob,
} from "@anvilcloud/core";
import { Router } from "express";
import type { Knex } from "knex";
import { findJobJson, insertJob, removeJob, replaceJob } from "../store/jobs.ts";
import { listJobs, overview, pageSize, placeJob } from "../store/list.ts";
import { hasLog } from "../store/log.ts";
import { findProfile } from "../store/profiles.ts";
import { setVersion, wantedVersion } from "./etag.ts";
import { handedOver, jobId, mustFind, noSuchJob } from "./job-here.ts";
import { jsonBody } from "./json-body.ts";
import { HttpProblem } from "./problem.ts";
import { parseQuery } from "./query.ts";

/** Largest document of one job. */
const most = "256kb";

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

/** What the routes of jobs work with. */
export interface JobParts {
  knex: Knex;
  /** The time as ISO 8601. */
  now: () => string;
}

/** Jobs: their lists, and each by itself. */
export function jobRoutes({ knex, now }: JobParts): Router {
  const routes = Router();
  const json = jsonBody(most);

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

  return routes;
}
