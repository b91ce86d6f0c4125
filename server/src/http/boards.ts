import { printBoard, type BoardProfile } from "@anvilcloud/core";
import { Router, type Request } from "express";
import type { Knex } from "knex";
import { jobCounts, jobsOnBoard } from "../store/jobs.ts";
import { boardRevisions, boardSource, findProfile, profilesJson } from "../store/profiles.ts";
import type { Work } from "../work/pool.ts";
import { whileThere } from "./gone.ts";
import { dropOwn, profileText, revisionOf, storeOwn, textOf } from "./own-profile.ts";
import { HttpProblem } from "./problem.ts";

const noSuchBoard = (id: string, revision?: number) =>
  new HttpProblem(
    404,
    "No such board",
    `There is no board ${JSON.stringify(id)}${revision === undefined ? "" : ` of revision ${revision}`} here.`,
  );

/** Which board and revision a request names; the newest where it names none. */
function refOf(request: Request): { id: string; revision?: number } {
  const id = String(request.params.id);
  return request.query.revision === undefined ? { id } : { id, revision: revisionOf(request) };
}

/** Boards: browse, read, the text as it was written, which jobs use one, and new profiles or revisions. */
export function boardRoutes(knex: Knex, work: Work): Router {
  const routes = Router();

  routes.get("/boards", async (_request, response) => {
    const boards = await profilesJson(knex, "board");
    const jobs = JSON.stringify(await jobCounts(knex));
    response.type("application/json").send(`{"boards":${boards},"jobs":${jobs}}`);
  });

  routes.get("/boards/:id", async (request, response) => {
    const ref = refOf(request);
    const board = await findProfile(knex, "board", ref);
    if (!board) throw noSuchBoard(ref.id, ref.revision);
    response.json(board);
  });

  routes.get("/boards/:id/revisions", async (request, response) => {
    const revisions = await boardRevisions(knex, request.params.id);
    if (!revisions.length) throw noSuchBoard(request.params.id);
    response.json({ revisions });
  });

  routes.get("/boards/:id/jobs", async (request, response) => {
    response.json({ jobs: await jobsOnBoard(knex, request.params.id) });
  });

  routes.get("/boards/:id/source", async (request, response) => {
    const ref = refOf(request);
    const found = await boardSource(knex, ref);
    if (!found) throw noSuchBoard(ref.id, ref.revision);
    response.attachment(`${ref.id}.yaml`);
    response
      .type("application/yaml")
      .send(found.source ?? printBoard(JSON.parse(found.body) as BoardProfile));
  });

  routes.delete("/boards/:id", async (request, response) => {
    await dropOwn(knex, "board", request.params.id, revisionOf(request));
    response.status(204).end();
  });

  routes.post("/boards", profileText, async (request, response) => {
    const text = textOf(request);
    const board = await work.run("board", text, whileThere(response));
    await storeOwn(knex, "board", board, text);
    response.status(201).location(`/api/boards/${board.id}`).json(board);
  });

  return routes;
}
