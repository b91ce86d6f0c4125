import type { LogEntry } from "@anvilcloud/core";
import type { Knex } from "knex";

/** A job's log in the order it was written. */
export async function readLog(knex: Knex, jobId: string): Promise<LogEntry[]> {
  const rows = await knex<{ job_id: string; seq: number; body: string }>("log")
    .where({ job_id: jobId })
    .orderBy("seq");
  return rows.map((row) => JSON.parse(row.body) as LogEntry);
}

/** An entry as a row of the log. */
export const logRow = (jobId: string, entry: LogEntry) => ({
  job_id: jobId,
  entry_id: entry.id,
  kind: entry.kind,
  step: entry.kind === "step" ? entry.step : null,
  at: entry.at,
  body: JSON.stringify(entry),
});

/** Adds an entry. "stored" the first time, "same" when it is there already word for word, "other" when its id is taken. */
export async function appendLog(
  knex: Knex,
  jobId: string,
  entry: LogEntry,
  now: string,
): Promise<"stored" | "same" | "other"> {
  const body = JSON.stringify(entry);
  return knex.transaction(async (trx) => {
    const row: { body: string } | undefined = await trx("log")
      .where({ job_id: jobId, entry_id: entry.id })
      .first("body");
    if (row) return row.body === body ? "same" : "other";
    await trx("log").insert(logRow(jobId, entry));
    await trx("jobs").where({ id: jobId }).update({ updated_at: now });
    return "stored";
  });
}
