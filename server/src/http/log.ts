import { checkLog, logEntrySchema, parseWith, ProblemsError, upgradeEntry } from "@anvilcloud/core";
import { Router } from "express";
import { hasJob } from "../store/jobs.ts";
import { appendLog, readLogPage } from "../store/log.ts";
import { jsonBody } from "./json-body.ts";
import { handedOver, mustFind, noSuchJob } from "./job-here.ts";
import type { JobParts } from "./jobs.ts";
import { HttpProblem } from "./problem.ts";
import { countOf } from "./query.ts";

/** Largest entry of a log, bytes. */
const most = "256kb";

/** The logs of jobs, which only grow. */
export function logRoutes({ knex, now }: Pick<JobParts, "knex" | "now">): Router {
  const routes = Router();
  const json = jsonBody(most);

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

  return routes;
}
