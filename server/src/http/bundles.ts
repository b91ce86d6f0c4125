import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { importQuerySchema, jobFormat } from "@anvilcloud/core";
import { Router } from "express";
import type { Knex } from "knex";
import { logPages } from "../store/log.ts";
import type { Work } from "../work/pool.ts";
import { bundleText } from "./bundle-text.ts";
import { setVersion } from "./etag.ts";
import { whileThere } from "./gone.ts";
import { handedOver, jobId, mustFind } from "./job-here.ts";
import { HttpProblem } from "./problem.ts";
import { parseQuery } from "./query.ts";
import { spooled } from "./spool.ts";

/** Largest job file that is imported, bytes. */
const most = 1_000_000_000;

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

/** What the routes of job files work with. */
export interface BundleParts {
  knex: Knex;
  work: Work;
  /** The database's file, and the folder in which job files arrive. */
  database: string;
  incoming: string;
  /** The time as ISO 8601. */
  now: () => string;
}

/** Job files: out, and in as a new job, as a copy, or as a later state of the one that is here. */
export function bundleRoutes({ knex, work, database, incoming, now }: BundleParts): Router {
  const routes = Router();

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
    const imported = await spooled(request, { folder: incoming, most }, (file) =>
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

  return routes;
}
