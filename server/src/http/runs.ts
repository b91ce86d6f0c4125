import { sweeps, type Told } from "@anvilcloud/core";
import { Router } from "express";
import type { Work } from "../work/pool.ts";
import { whileThere } from "./gone.ts";
import { jsonText, jsonTextOf } from "./json-body.ts";
import { toldLate } from "./problem.ts";

/** Largest run file taken, in bytes: a job with its profiles, and a script. */
const largest = "6mb";

/**
 * Runs of the twin: one that is played to its end, and sweeps, whose runs are told one a line as each is done. Whoever goes
 * away gives up what has not begun.
 */
export function runRoutes(work: Work): Router {
  const routes = Router();

  routes.post("/runs", jsonText(largest), async (request, response) => {
    const played = await work.run("run", jsonTextOf(request), whileThere(response));
    response.type("application/json").send(played);
  });

  routes.post("/sweeps", jsonText(largest), async (request, response) => {
    const text = jsonTextOf(request);
    const gone = whileThere(response);
    const of = await work.run("sweep", text, gone);
    response.status(200).type("application/x-ndjson");
    const cases = Array.from({ length: of }, (_, at) => at);
    const player = (at: number): Promise<Told> => work.run("sweepCase", { text, at }, gone);
    const players = Array.from({ length: Math.min(of, work.atOnce("sweepCase")) }, () => player);
    try {
      await sweeps(
        cases,
        players,
        (told, at) => void response.write(`${JSON.stringify({ at, of, told })}\n`),
        gone,
      );
    } catch (error) {
      // The answer has begun: what went wrong is its last line.
      if (!gone.aborted) response.write(`${JSON.stringify({ problem: toldLate(error) })}\n`);
    }
    response.end();
  });

  return routes;
}
