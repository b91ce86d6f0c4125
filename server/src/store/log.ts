import { closingKinds, mayAppend, upgradeEntry, type LogEntry, type StepEntry } from "@anvilcloud/core";
import type { Knex } from "knex";

/** An entry as it is written today, from what was stored whenever it was. */
const readEntry = (body: string) => upgradeEntry(JSON.parse(body)) as LogEntry;

/** A job's log in the order it was written. */
export async function readLog(knex: Knex, jobId: string): Promise<LogEntry[]> {
  const rows = await knex<{ job_id: string; seq: number; body: string }>("log")
    .where({ job_id: jobId })
    .orderBy("seq");
  return rows.map((row) => readEntry(row.body));
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

/**
 * The answer of another device to the same step that came after the card of this one was drawn, and that did not stand on
 * it; undefined where there is none. Answers of the same device never contradict one another.
 */
async function contradicted(trx: Knex, jobId: string, entry: LogEntry): Promise<StepEntry | undefined> {
  if (entry.kind !== "step" || !entry.drawnFrom) return undefined;
  const { log, device, knows } = entry.drawnFrom;
  const later = (await trx("log")
    .where({ job_id: jobId })
    .orderBy("seq")
    .offset(log)
    .limit(mostLater)
    .select("step", "body")) as { step: string | null; body: string }[];
  const answers = later.flatMap(({ step, body }) =>
    step === entry.step ? [readEntry(body) as StepEntry] : [],
  );
  return answers.findLast((answer) => answer.id !== knows && answer.drawnFrom?.device !== device);
}

/** Entries looked at after a card was drawn: as long as a log may be. */
const mostLater = 20_000;

/** The last entry that closed a job or opened it again, as far as it says which. */
export const lastClosing = (trx: Knex, jobId: string) =>
  trx("log")
    .where({ job_id: jobId })
    .whereIn("kind", closingKinds)
    .orderBy("seq", "desc")
    .limit(1)
    .select("kind") as Promise<Pick<LogEntry, "kind">[]>;

/**
 * Adds an entry. "stored" the first time, "same" when it is there already word for word, "other" when its id is taken, "closed"
 * when the job was handed over and the entry would change it; the
 * other's answer, and nothing stored, where someone else has answered the step since its card was drawn.
 */
export async function appendLog(
  knex: Knex,
  jobId: string,
  entry: LogEntry,
  now: string,
): Promise<"stored" | "same" | "other" | "closed" | { theirs: StepEntry }> {
  const body = JSON.stringify(entry);
  return knex.transaction(async (trx) => {
    const row: { body: string } | undefined = await trx("log")
      .where({ job_id: jobId, entry_id: entry.id })
      .first("body");
    if (row) return row.body === body ? "same" : "other";
    if (!mayAppend(await lastClosing(trx, jobId), entry)) return "closed";
    const theirs = await contradicted(trx, jobId, entry);
    if (theirs) return { theirs };
    await trx("log").insert(logRow(jobId, entry));
    await trx("jobs").where({ id: jobId }).update({ updated_at: now });
    return "stored";
  });
}
