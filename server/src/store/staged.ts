import { isDeepStrictEqual } from "node:util";
import { lastClosingOf, stillTaken, type ImportMeets, type JobBundle } from "@anvilcloud/core";
import type { Knex } from "knex";
import { write } from "../db/write.ts";
import { columnsOf } from "./jobs.ts";
import { writeLine } from "./line.ts";
import { lastClosing } from "./log.ts";

const columns = "job_id, entry_id, kind, step, at, body";

/** Entries of the table `staged` that the job's log has not. */
const onlyStaged = `staged WHERE NOT EXISTS
  (SELECT 1 FROM log WHERE log.job_id = staged.job_id AND log.entry_id = staged.entry_id)`;

/** Adds what is staged to the log, as far as it is not there; in the order it was written. */
export async function copyStaged(trx: Knex): Promise<void> {
  await trx.raw(`INSERT INTO log (${columns}) SELECT ${columns} FROM ${onlyStaged} ORDER BY staged.rowid`);
}

/** Whether two documents say the same, in whatever order their parts stand. */
const sayTheSame = (a: string, b: string): boolean =>
  a === b || isDeepStrictEqual(JSON.parse(a), JSON.parse(b));

const number = (rows: unknown): number => (rows as { n: number }[])[0]?.n ?? 0;

/** How the log that is staged for a job differs from the one that is here. */
export async function compareLogs(trx: Knex, id: string): Promise<ImportMeets["log"]> {
  const shared = "staged JOIN log USING (job_id, entry_id)";
  const all = number(await trx("log").where({ job_id: id }).count({ n: "*" }));
  const met = number(await trx.raw(`SELECT COUNT(*) AS n FROM ${shared}`));
  // What is written alike needs no reading.
  const written = (await trx.raw(
    `SELECT log.body AS here, staged.body AS file FROM ${shared} WHERE log.body <> staged.body`,
  )) as { here: string; file: string }[];
  const unlike = written.filter(({ here, file }) => !sayTheSame(here, file)).length;
  return {
    both: met - unlike,
    unlike,
    onlyHere: all - met,
    onlyFile: number(await trx.raw(`SELECT COUNT(*) AS n FROM ${onlyStaged}`)),
  };
}

/** Whether what is staged would change a job that was handed over, and does not open it again. */
async function changesClosed(trx: Knex, id: string, sameJob: boolean): Promise<boolean> {
  if (lastClosingOf(await lastClosing(trx, id)) !== "handed-over") return false;
  const kinds = ((await trx.raw(`SELECT DISTINCT kind FROM ${onlyStaged}`)) as { kind: string }[]).map(
    ({ kind }) => kind,
  );
  if (kinds.includes("reopened")) return false;
  return !sameJob || kinds.some((kind) => !(stillTaken as readonly string[]).includes(kind));
}

/**
 * Takes a job file, whose log is staged, as a later state of the job that is here at `version`: its document in place of the
 * one here, its entries beside those here. Nothing is changed where the job has moved on since, was handed over, or both logs
 * have an entry of one id that says different things.
 */
export function takeLater(
  knex: Knex,
  bundle: Omit<JobBundle, "format" | "log">,
  version: number,
  now: string,
): Promise<{ id: string; version: number } | { refused: "moved" | "closed" | "unlike"; id: string }> {
  const { id } = bundle.job;
  return write(knex, async (trx) => {
    const row = (await trx("jobs").where({ id, version }).first("job")) as { job: string } | undefined;
    if (!row) return { refused: "moved", id };
    const next = columnsOf(bundle);
    if ((await compareLogs(trx, id)).unlike) return { refused: "unlike", id };
    if (await changesClosed(trx, id, sayTheSame(row.job, next.job))) return { refused: "closed", id };
    await trx("jobs")
      .where({ id })
      .update({ ...next, version: version + 1, updated_at: now });
    await copyStaged(trx);
    await writeLine(trx, id);
    return { id, version: version + 1 };
  });
}
