import { closingKinds, jobStanding, nextServiceDay } from "@anvilcloud/core";
import type { Knex } from "knex";

/** The last answer of every step of a job: how many stand, and how many of them were not seen as they should be. */
const answers = `SELECT COUNT(*) AS answered, SUM(outcome = 'not-seen') AS unseen FROM (
  SELECT json_extract((SELECT body FROM log WHERE job_id = :id AND kind = 'step' AND step = each.step
    ORDER BY seq DESC LIMIT 1), '$.outcome') AS outcome
  FROM (SELECT DISTINCT step FROM log WHERE job_id = :id AND kind = 'step') AS each)
  WHERE outcome <> 'withdrawn'`;

/** Letters as they are looked for: small, without what stands above or below them. */
export const asFound = (text: string): string => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();

/** What of a job's document stands in its line. */
const told = {
  customer: "job, '$.site.customer'",
  town: "job, '$.site.town'",
  address: "job, '$.site.address'",
  installer: "job, '$.installer'",
  months: "job, '$.survey.serviceMonths'",
  board_name: "board, '$.name'",
  board_maker: "board, '$.maker'",
} as const;

type Told = Record<Exclude<keyof typeof told, "months">, string | null> & {
  months: number | null;
  title: string;
  version: number;
  updated_at: string;
  board_id: string;
};

/** Writes what the list of jobs says of one, from its document and log: what is looked for, filtered and sorted is kept apart from them. */
export async function writeLine(trx: Knex, id: string): Promise<void> {
  const job = (await trx("jobs")
    .where({ id })
    .select("title", "version", "updated_at", "board_id")
    .select(...Object.entries(told).map(([as, path]) => trx.raw(`json_extract(${path}) AS ${as}`)))
    .first()) as Told | undefined;
  if (!job) return;
  const kept = (await trx("lines").where({ id }).first("waits_for")) as { waits_for: string } | undefined;
  const [counts] = (await trx.raw(answers, { id })) as { answered: number; unseen: number | null }[];
  const { answered, unseen } = { answered: counts?.answered ?? 0, unseen: counts?.unseen ?? 0 };
  const closing = (await trx("log")
    .where({ job_id: id })
    .whereIn("kind", closingKinds)
    .orderBy("seq", "desc")
    .first("kind", "at", trx.raw("json_extract(body, '$.reason') AS reason"))) as
    | { kind: (typeof closingKinds)[number]; at: string; reason: string | null }
    | undefined;
  const { customer, town, address, installer, board_name, board_maker, months, ...own } = job;
  const handedOverAt = closing?.kind === "handed-over" ? closing.at : null;
  const words = [job.title, customer, town, address, installer, board_maker, board_name, id];
  const line = {
    ...own,
    id,
    customer: customer ?? "",
    town: town ?? "",
    board_name: board_name ?? "",
    found_by: asFound(words.filter(Boolean).join(" ")),
    answered,
    unseen,
    standing: jobStanding({ answered, unseen, closing: closing?.kind, waitsFor: kept?.waits_for ?? "" }),
    handed_over_at: handedOverAt,
    next_service: handedOverAt && months ? nextServiceDay(handedOverAt, months) : null,
    reopened: closing?.kind === "reopened" ? closing.reason : null,
  };
  await trx("lines").insert(line).onConflict("id").merge();
}
