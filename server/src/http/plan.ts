import { Router, type Request } from "express";
import type { Work } from "../work/pool.ts";
import { whileThere } from "./gone.ts";
import { jsonText, jsonTextOf } from "./json-body.ts";
import { HttpProblem } from "./problem.ts";

/** Largest job file that is planned. */
const most = "5mb";

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

/** The plan of a job file, and what is seen at one of its steps. */
export function planRoutes(work: Work): Router {
  const routes = Router();

  routes.post("/plan", jsonText(most), async (request, response) => {
    const plan = await work.run("plan", jsonTextOf(request), whileThere(response));
    response.type("application/json").send(plan);
  });

  routes.post("/plan/sights", jsonText(most), async (request, response) => {
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
