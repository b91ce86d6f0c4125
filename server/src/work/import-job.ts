import {
  isRecord,
  logReader,
  parseBundle,
  ProblemsError,
  type JobBundle,
  type LogEntry,
  type Problem,
} from "@anvilcloud/core";
import type { Knex } from "knex";
import { connect } from "../db/open.ts";
import { insertJob } from "../store/jobs.ts";
import { logRow } from "../store/log.ts";
import { readJobFile } from "./job-file.ts";

/** Where a job file lies, the database it goes into, and the time, ISO 8601. */
export interface Import {
  file: string;
  database: string;
  now: string;
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

/**
 * Imports a job file of any format so far, all or nothing. Its log is read and checked into a table beside the database
 * first, so that the database is taken for writing no longer than it takes to copy it. Says
 * which job is there already, where one is.
 */
export async function importJob({
  file,
  database,
  now,
}: Import): Promise<{ id: string } | { taken: string }> {
  const { head, taken } = readHead(file);
  const { id } = head.job;
  const knex = connect(database);
  try {
    await knex.raw("CREATE TEMP TABLE staged (job_id, entry_id, kind, step, at, body)");
    for (const entries of readEntries(file, logReader(head.board, "bundle", taken)))
      if (entries.length) await knex("staged").insert(entries.map((entry) => logRow(id, entry)));
    const stored = await insertJob(knex, head, now, copyStaged);
    return stored ? { id } : { taken: id };
  } finally {
    await knex.destroy();
  }
}

const columns = "job_id, entry_id, kind, step, at, body";

async function copyStaged(trx: Knex): Promise<void> {
  await trx.raw(`INSERT INTO log (${columns}) SELECT ${columns} FROM staged ORDER BY rowid`);
}
