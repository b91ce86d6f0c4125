import {
  copyTitle,
  isRecord,
  logReader,
  parseBundle,
  ProblemsError,
  type ImportMeets,
  type ImportQuery,
  type JobBundle,
  type LogEntry,
  type Problem,
} from "@anvilcloud/core";
import { connect } from "../db/open.ts";
import { findJob, insertJob } from "../store/jobs.ts";
import { compareLogs, copyStaged, takeLater } from "../store/staged.ts";
import { logRow } from "../store/log.ts";
import { readJobFile } from "./job-file.ts";

/** Where a job file lies, the database it goes into, the time, ISO 8601, and how it is taken where its job is here already. */
export interface Import extends ImportQuery {
  file: string;
  database: string;
  now: string;
  /** The id a copy gets. */
  copyId: string;
}

/** Rows written by one statement. */
const batch = 200;

/** Everything of a job file but its log, read and checked; and how many entries lie before the job last took another board. */
function readHead(file: string): { head: JobBundle; taken: number } {
  const head: [string, unknown][] = [];
  let entries = 0;
  let taken = -1;
  for (const piece of readJobFile(file)) {
    if ("key" in piece) head.push([piece.key, piece.value]);
    else {
      if (isRecord(piece.entry) && piece.entry.kind === "board-taken") taken = entries;
      entries += 1;
    }
  }
  return { head: parseBundle(Object.fromEntries(head)), taken };
}

/** Faults of the log that are looked for before it is refused. */
const mostFaults = 100;

/** Entries of a job file in batches, each read and checked. Throws ProblemsError with the faults of the log. */
function* readEntries(file: string, read: (entry: unknown) => LogEntry): Generator<LogEntry[]> {
  let ready: LogEntry[] = [];
  const problems: Problem[] = [];
  for (const piece of readJobFile(file)) {
    if (!("entry" in piece)) continue;
    try {
      ready.push(read(piece.entry));
    } catch (error) {
      if (!(error instanceof ProblemsError)) throw error;
      problems.push(...error.problems);
      if (problems.length >= mostFaults) break;
    }
    if (ready.length < batch) continue;
    yield ready;
    ready = [];
  }
  if (problems.length) throw new ProblemsError(problems);
  yield ready;
}

/** What became of a job file: stored under an id and version, or the job that is here already is told of, or why it was refused. */
export type Imported =
  | { id: string; version: number }
  | { meets: ImportMeets }
  | { refused: "moved" | "closed" | "unlike"; id: string };

/**
 * Imports a job file of any format so far, all or nothing: as the job it is, as a copy under an id of its own, or as a later
 * state of the job that is here. Its log is read and checked into a table beside the database first, so that the database is
 * taken for writing no longer than it takes to copy it.
 */
export async function importJob({ file, database, now, as, version, copyId }: Import): Promise<Imported> {
  const { head, taken } = readHead(file);
  const knex = connect(database);
  try {
    const here = await findJob(knex, head.job.id);
    const id = here && as === "copy" ? copyId : head.job.id;
    const job = id === head.job.id ? head.job : { ...head.job, id, title: copyTitle(head.job.title) };
    await knex.raw("CREATE TEMP TABLE staged (job_id, entry_id, kind, step, at, body)");
    for (const entries of readEntries(file, logReader(head.board, "bundle", taken)))
      if (entries.length) await knex("staged").insert(entries.map((entry) => logRow(id, entry)));
    if (here && as === "later" && version !== undefined)
      return await takeLater(knex, { ...head, job }, version, now);
    if (await insertJob(knex, { ...head, job }, now, copyStaged)) return { id, version: 1 };
    const met = here ?? (await findJob(knex, id));
    if (!met) return { refused: "moved", id };
    return {
      meets: { version: met.version, here: met.job, file: head.job, log: await compareLogs(knex, id) },
    };
  } finally {
    await knex.destroy();
  }
}
