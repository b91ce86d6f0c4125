import { randomUUID } from "node:crypto";
import slugify from "@sindresorhus/slugify";
import type { StoredJob } from "@anvilcloud/core";
import type { Knex } from "knex";
import { findJob } from "../store/jobs.ts";
import { HttpProblem } from "./problem.ts";

/** A readable id from a title, with a tail of its own. */
export const jobId = (title: string): string =>
  `${slugify(title).slice(0, 40).replace(/-+$/, "") || "job"}-${randomUUID().slice(0, 6)}`;

/** There is no such job. */
export const noSuchJob = (id: string) =>
  new HttpProblem(404, "No such job", `There is no job ${JSON.stringify(id)} here.`);

/** It was handed over and takes nothing but notes. */
export const handedOver = (id: string) =>
  new HttpProblem(
    409,
    "Handed over",
    `Job ${JSON.stringify(id)} was handed over and takes notes only. Open it again with a reason first.`,
  );

/** The job of an id, or the problem that there is none. */
export async function mustFind(knex: Knex, id: string): Promise<StoredJob> {
  const stored = await findJob(knex, id);
  if (!stored) throw noSuchJob(id);
  return stored;
}
