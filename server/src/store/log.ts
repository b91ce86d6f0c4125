import { closingKinds, mayAppend, upgradeEntry, type LogEntry, type StepEntry } from "@anvilcloud/core";
import type { Knex } from "knex";
import { write } from "../db/write.ts";
import { writeLine } from "./line.ts";

/** An entry as it is written today, from what was stored whenever it was. */
const readEntry = (body: string) => upgradeEntry(JSON.parse(body)) as LogEntry;

/** A part of a job's log, in the order it was written, and where the next part begins; null at the end. */
export interface LogPage {
  log: LogEntry[];
  next: number | null;
}

/** Most entries of one page, and after how many characters it ends sooner. */
const pageLimits = { entries: 500, characters: 500_000 };

/** The entries of a job's log after a place, one page of them; up to `last` where it is given. */
export async function readLogPage(
  knex: Knex,
  jobId: string,
  after: number,
  last = Number.MAX_SAFE_INTEGER,
): Promise<LogPage> {
  const rows = (await knex("log")
    .where({ job_id: jobId })
    .whereBetween("seq", [after + 1, last])
    .orderBy("seq")
    .limit(pageLimits.entries + 1)
    .select("seq", "body")) as { seq: number; body: string }[];
  let length = 0;
  const end = rows.findIndex(
    ({ body }, at) => at >= pageLimits.entries || (at > 0 && (length += body.length) > pageLimits.characters),
  );
  const page = end < 0 ? rows : rows.slice(0, end);
  return { log: page.map(({ body }) => readEntry(body)), next: end < 0 ? null : page.at(-1)!.seq };
}

/** Every page of a job's log as it stands now, one after the other; what is added meanwhile is left out. */
export async function* logPages(knex: Knex, jobId: string): AsyncGenerator<LogEntry[]> {
  const row = (await knex("log").where({ job_id: jobId }).max({ last: "seq" }).first()) as
    | { last: number | null }
    | undefined;
  for (let after: number | null = 0; after !== null;) {
    const page: LogPage = await readLogPage(knex, jobId, after, row?.last ?? 0);
    yield page.log;
    after = page.next;
  }
}

/** Whether anything was written in a job's log. */
export async function hasLog(knex: Knex, jobId: string): Promise<boolean> {
  return (await knex("log").where({ job_id: jobId }).first("seq")) !== undefined;
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
  const since = trx("log").where({ job_id: jobId }).orderBy("seq").offset(log).limit(1).select("seq");
  const later = (await trx("log")
    .where({ job_id: jobId, kind: "step", step: entry.step })
    .where("seq", ">=", since)
    .orderBy("seq")
    .select("body")) as { body: string }[];
  const answers = later.map(({ body }) => readEntry(body) as StepEntry);
  return answers.findLast((answer) => answer.id !== knows && answer.drawnFrom?.device !== device);
}

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
  return write(knex, async (trx) => {
    const row: { body: string } | undefined = await trx("log")
      .where({ job_id: jobId, entry_id: entry.id })
      .first("body");
    if (row) return row.body === body ? "same" : "other";
    if (!mayAppend(await lastClosing(trx, jobId), entry)) return "closed";
    const theirs = await contradicted(trx, jobId, entry);
    if (theirs) return { theirs };
    await trx("log").insert(logRow(jobId, entry));
    await trx("jobs").where({ id: jobId }).update({ updated_at: now });
    await writeLine(trx, jobId);
    return "stored";
  });
}
