import type { JobPlace, JobsQuery, JobStanding, JobSummary, Overview, Shelf } from "@anvilcloud/core";
import type { Knex } from "knex";
import { write } from "../db/write.ts";
import { asFound, writeLine } from "./line.ts";

/** Page size of the list of jobs. */
export const pageSize = 100;

/** How many of a kind the overview names. */
const named = 6;

interface Line {
  id: string;
  version: number;
  title: string;
  customer: string;
  town: string;
  board_name: string;
  updated_at: string;
  shelf: Shelf;
  standing: JobStanding;
  waits_for: string;
  answered: number;
  unseen: number;
  handed_over_at: string | null;
  next_service: string | null;
  reopened: string | null;
}

const columns = [
  "id",
  "version",
  "title",
  "customer",
  "town",
  "board_name",
  "updated_at",
  "shelf",
  "standing",
  "waits_for",
  "answered",
  "unseen",
  "handed_over_at",
  "next_service",
  "reopened",
] as const satisfies readonly (keyof Line)[];

const summary = (line: Line): JobSummary => ({
  id: line.id,
  version: line.version,
  title: line.title,
  customer: line.customer,
  town: line.town,
  board: line.board_name,
  updatedAt: line.updated_at,
  shelf: line.shelf,
  standing: line.standing,
  waitsFor: line.waits_for,
  answered: line.answered,
  unseen: line.unseen,
  handedOverAt: line.handed_over_at,
  nextService: line.next_service,
  reopened: line.reopened,
});

const sortedBy: Readonly<Record<JobsQuery["sort"], string>> = {
  changed: "updated_at",
  title: "title COLLATE NOCASE",
  customer: "customer COLLATE NOCASE",
  town: "town COLLATE NOCASE",
  board: "board_name COLLATE NOCASE",
  standing: "standing",
  // A job without a service comes after every one that has.
  due: "next_service IS NULL, next_service",
};

/** Text that stands for itself where SQL looks for likenesses. */
const literally = (word: string): string => word.replace(/[\\%_]/g, "\\$&");

function wanted(knex: Knex, query: JobsQuery): Knex.QueryBuilder {
  const jobs = knex("lines").where({ shelf: query.shelf });
  for (const word of asFound(query.find).split(/\s+/).filter(Boolean))
    void jobs.whereRaw("found_by LIKE ? ESCAPE '\\'", [`%${literally(word)}%`]);
  if (query.standing) void jobs.where({ standing: query.standing });
  if (query.due) void jobs.where("next_service", "<=", query.due);
  if (query.board) void jobs.where({ board_id: query.board });
  if (query.town !== undefined) void jobs.where({ town: query.town });
  return jobs;
}

/** A page of the jobs that were asked for, and how many there are. */
export async function listJobs(knex: Knex, query: JobsQuery): Promise<{ jobs: JobSummary[]; total: number }> {
  const down = (query.order ?? (query.sort === "changed" ? "down" : "up")) === "down";
  const lines = (await wanted(knex, query)
    .select(...columns)
    .orderByRaw(`${sortedBy[query.sort]} ${down ? "DESC" : "ASC"}, id`)
    .limit(pageSize)
    .offset(query.page * pageSize)) as Line[];
  const total = (await wanted(knex, query).count({ n: "*" }).first()) as { n: number } | undefined;
  return { jobs: lines.map(summary), total: Number(total?.n ?? 0) };
}

interface Counted {
  of: string;
  name: string;
  jobs: number;
}

/** How many jobs there are of each value of a column, those with most first; with another column to name it by. */
async function countsOf(knex: Knex, of: string, name: string, jobs: Knex.QueryBuilder): Promise<Counted[]> {
  return (await jobs
    .select({ of }, knex.raw("MAX(??) AS name", [name]))
    .count({ jobs: "*" })
    .groupBy(of)
    .orderBy("jobs", "desc")
    .orderBy("name")) as Counted[];
}

/** What calls for someone on a day, and how many jobs there are of each kind. */
export async function overview(knex: Knex, today: string): Promise<Overview> {
  const kept = () => knex("lines").where({ shelf: "jobs" });
  const some = async (jobs: Knex.QueryBuilder, first: string) => {
    const total = (await jobs.clone().count({ n: "*" }).first()) as { n: number } | undefined;
    const lines = (await jobs
      .select(...columns)
      .orderByRaw(first)
      .limit(named)) as Line[];
    return { total: Number(total?.n ?? 0), jobs: lines.map(summary) };
  };
  const newest = "updated_at DESC, id";
  const standing = (one: JobStanding) => some(kept().where({ standing: one }), newest);
  return {
    due: await some(kept().where("next_service", "<=", today), "next_service, id"),
    openedAgain: await standing("opened-again"),
    waiting: await standing("waiting"),
    underWay: await standing("under-way"),
    shelves: (await countsOf(knex, "shelf", "shelf", knex("lines"))) as Overview["shelves"],
    standings: (await countsOf(knex, "standing", "standing", kept())) as Overview["standings"],
    boards: await countsOf(knex, "board_id", "board_name", kept()),
    towns: await countsOf(knex, "town", "town", kept()),
  };
}

/** Puts a job on another shelf, or notes what it waits for. False where there is none. */
export async function placeJob(knex: Knex, id: string, { shelf, waitsFor }: JobPlace): Promise<boolean> {
  return write(knex, async (trx) => {
    const found = await trx("lines").where({ id }).first("id");
    if (!found) return false;
    const place = {
      ...(shelf === undefined ? {} : { shelf }),
      ...(waitsFor === undefined ? {} : { waits_for: waitsFor.trim() }),
    };
    if (Object.keys(place).length) await trx("lines").where({ id }).update(place);
    await writeLine(trx, id);
    return true;
  });
}
