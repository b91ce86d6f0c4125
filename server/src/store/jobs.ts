import {
  closingKinds,
  isClosed,
  nextServiceDay,
  type BoardProfile,
  type BoardUse,
  type DeviceProfile,
  type Job,
  type JobBundle,
  type JobSummary,
  type LogEntry,
  type StoredJob,
} from "@anvilcloud/core";
import type { Knex } from "knex";
import { whenFree, write } from "../db/write.ts";
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

const columnsOf = ({ job, board, devices }: Omit<StoredJob, "version">) => ({
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

/** Something of the last entry that closed a job or opened it again; nothing where there is none. */
const ofLastClosing = (what: string) => `SELECT ${what} FROM log
  WHERE job_id = jobs.id AND kind IN (${closingKinds.map((kind) => `'${kind}'`).join(", ")}) ORDER BY seq DESC LIMIT 1`;

/** When a job was handed over; nothing where it was not, or was opened again since. */
const handedOverAt = ofLastClosing("CASE kind WHEN 'handed-over' THEN at END");

/** Why a job was opened again; nothing where it was not, or is handed over. */
const reopened = ofLastClosing("CASE kind WHEN 'reopened' THEN json_extract(body, '$.reason') END");

/** Page size of the list of jobs. */
export const pageSize = 100;

/** A page of jobs, the one changed last first. */
export async function listJobs(knex: Knex, page: number): Promise<{ jobs: JobSummary[]; total: number }> {
  const rows = (await knex("jobs")
    .select("id", "title", "version", "updated_at")
    .select(
      knex.raw("json_extract(job, '$.site.customer') AS customer"),
      knex.raw("json_extract(job, '$.site.town') AS town"),
      knex.raw("json_extract(board, '$.name') AS board"),
      knex.raw("(SELECT COUNT(DISTINCT step) FROM log WHERE job_id = jobs.id AND kind = 'step') AS answered"),
      knex.raw(`(${handedOverAt}) AS handed_over_at`),
      knex.raw("json_extract(job, '$.survey.serviceMonths') AS service_months"),
      knex.raw(`(${reopened}) AS reopened`),
    )
    .orderBy([{ column: "updated_at", order: "desc" }, { column: "id" }])
    .limit(pageSize)
    .offset(page * pageSize)) as (Pick<Row, "id" | "title" | "version" | "updated_at"> & {
    customer: string;
    town: string;
    board: string;
    answered: number;
    handed_over_at: string | null;
    service_months: number;
    reopened: string | null;
  })[];
  const total = await knex("jobs").count({ n: "*" }).first();
  return {
    jobs: rows.map(({ updated_at, handed_over_at, service_months, ...row }) => ({
      ...row,
      updatedAt: updated_at,
      handedOverAt: handed_over_at,
      nextService: handed_over_at && nextServiceDay(handed_over_at, service_months),
    })),
    total: Number(total?.n ?? 0),
  };
}

/** Jobs made on a board, each with the revision it was made with, the one changed last first. */
export async function jobsOnBoard(knex: Knex, board: string): Promise<BoardUse[]> {
  const rows = (await knex("jobs")
    .select("id", "title", { revision: "board_revision" })
    .select(knex.raw(`(${handedOverAt}) IS NOT NULL AS handed_over`))
    .where({ board_id: board })
    .orderBy("updated_at", "desc")
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
