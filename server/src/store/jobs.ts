import {
  isClosed,
  type BoardProfile,
  type BoardUse,
  type DeviceProfile,
  type Job,
  type JobBundle,
  type LogEntry,
  type StoredJob,
} from "@anvilcloud/core";
import type { Knex } from "knex";
import { whenFree, write } from "../db/write.ts";
import { writeLine } from "./line.ts";
import { lastClosing, logRow } from "./log.ts";

interface Row {
  id: string;
  version: number;
  title: string;
  job: string;
  board: string;
  devices: string;
  created_at: string;
  updated_at: string;
}

/** A job as it is kept: its documents, and what is looked up beside them. */
export const columnsOf = ({ job, board, devices }: Omit<StoredJob, "version">) => ({
  title: job.title,
  job: JSON.stringify(job),
  board: JSON.stringify(board),
  devices: JSON.stringify(devices),
  board_id: board.id,
  board_revision: board.revision,
});

function read(row: Row): StoredJob {
  return {
    version: row.version,
    job: JSON.parse(row.job) as Job,
    board: JSON.parse(row.board) as BoardProfile,
    devices: JSON.parse(row.devices) as DeviceProfile[],
  };
}

/** Jobs made on a board, each with the revision it was made with, the one changed last first. */
export async function jobsOnBoard(knex: Knex, board: string): Promise<BoardUse[]> {
  const rows = (await knex("jobs")
    .join("lines", "lines.id", "jobs.id")
    .select("jobs.id", "jobs.title", { revision: "board_revision" })
    .select(knex.raw("handed_over_at IS NOT NULL AS handed_over"))
    .where({ "jobs.board_id": board })
    .orderBy("jobs.updated_at", "desc")
    .limit(500)) as { id: string; title: string; revision: number; handed_over: number }[];
  return rows.map(({ handed_over, ...row }) => ({ ...row, handedOver: handed_over === 1 }));
}

/** How many jobs are made on each board; counted in the index, no job is read. */
export async function jobCounts(knex: Knex): Promise<Record<string, number>> {
  const rows = (await knex("jobs")
    .select({ board: "board_id" })
    .count({ n: "*" })
    .groupBy("board_id")) as unknown as { board: string; n: number }[];
  return Object.fromEntries(rows.map(({ board, n }) => [board, n]));
}

/** One job; undefined where there is none. */
export async function findJob(knex: Knex, id: string): Promise<StoredJob | undefined> {
  const row = await knex<Row>("jobs").where({ id }).first();
  return row && read(row);
}

/** Whether there is such a job. */
export async function hasJob(knex: Knex, id: string): Promise<boolean> {
  return (await knex("jobs").where({ id }).first("id")) !== undefined;
}

/** One job as the JSON it is sent as, without reading the stored documents and writing them again. */
export async function findJobJson(
  knex: Knex,
  id: string,
): Promise<{ version: number; json: string } | undefined> {
  const row = await knex<Row>("jobs").where({ id }).first("version", "job", "board", "devices");
  if (!row) return undefined;
  const { version, job, board, devices } = row;
  return { version, json: `{"version":${version},"job":${job},"board":${board},"devices":${devices}}` };
}

/** Stores a new job with its log, and with what `further` adds to it, all or nothing. False when the id is taken. */
export async function insertJob(
  knex: Knex,
  bundle: Omit<JobBundle, "format">,
  now: string,
  further: (trx: Knex) => Promise<void> = () => Promise.resolve(),
): Promise<boolean> {
  return write(knex, async (trx) => {
    const taken = await trx("jobs").where({ id: bundle.job.id }).first("id");
    if (taken) return false;
    await trx("jobs").insert({
      id: bundle.job.id,
      version: 1,
      created_at: now,
      updated_at: now,
      ...columnsOf(bundle),
    });
    for (const entry of bundle.log) await trx("log").insert(logRow(bundle.job.id, entry));
    await further(trx);
    await writeLine(trx, bundle.job.id);
    return true;
  });
}

/**
 * Replaces a job that is still at `version`, and adds what the change leaves in its log, both or neither. "moved" when the
 * job has moved on, "closed" when it was handed over; then nothing is changed.
 */
export async function replaceJob(
  knex: Knex,
  next: Omit<StoredJob, "version">,
  version: number,
  now: string,
  entries: readonly LogEntry[] = [],
): Promise<"stored" | "moved" | "closed"> {
  return write(knex, async (trx) => {
    if (isClosed(await lastClosing(trx, next.job.id))) return "closed";
    const changed = await trx("jobs")
      .where({ id: next.job.id, version })
      .update({ ...columnsOf(next), version: version + 1, updated_at: now });
    if (changed !== 1) return "moved";
    for (const entry of entries) await trx("log").insert(logRow(next.job.id, entry));
    await writeLine(trx, next.job.id);
    return "stored";
  });
}

/** Removes a job that is still at `version` and has no log. */
export async function removeJob(knex: Knex, id: string, version: number): Promise<boolean> {
  const removed = await whenFree(() =>
    knex("jobs")
      .where({ id, version })
      .whereNotExists(knex("log").where({ job_id: id }))
      .delete(),
  );
  return removed === 1;
}
