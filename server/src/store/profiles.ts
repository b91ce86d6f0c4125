import type { BoardProfile, DeviceProfile, Preset } from "@anvilcloud/core";
import type { Knex } from "knex";
import { whenFree, write } from "../db/write.ts";

interface Profiles {
  board: BoardProfile;
  device: DeviceProfile;
  preset: Preset;
}
/** What the catalogue keeps. */
export type Kind = keyof Profiles;
type Profile<K extends Kind> = Profiles[K];
/** A profile of any kind. */
export type AnyProfile = Profiles[Kind];

/**
 * Every profile of a kind that can be chosen, each in its newest revision, by name, as the JSON of a list: sent as it is
 * stored. One that is shipped no more is left out.
 */
export async function profilesJson(knex: Knex, kind: Kind): Promise<string> {
  const rows = (await knex("profiles")
    .where({ kind, retired: false })
    .whereRaw(
      `revision = (SELECT MAX(revision) FROM profiles AS each
         WHERE each.kind = profiles.kind AND each.id = profiles.id AND NOT each.retired)`,
    )
    .select("body")
    .orderByRaw("json_extract(body, '$.name') COLLATE NOCASE, id")) as { body: string }[];
  return `[${rows.map(({ body }) => body).join(",")}]`;
}

/** The revisions of a kind that were written here, by name. */
export async function ownRevisions(
  knex: Knex,
  kind: Kind,
): Promise<{ id: string; revision: number; name: string }[]> {
  return (await knex("profiles")
    .where({ kind, origin: "own" })
    .select("id", "revision", knex.raw("json_extract(body, '$.name') AS name"))
    .orderByRaw("name COLLATE NOCASE, revision")) as { id: string; revision: number; name: string }[];
}

/** One profile; without a revision, its newest. Undefined where there is none. */
export async function findProfile<K extends Kind>(
  knex: Knex,
  kind: K,
  ref: { id: string; revision?: number },
): Promise<Profile<K> | undefined> {
  const query = knex("profiles").where({ kind, id: ref.id }).orderBy("revision", "desc");
  if (ref.revision !== undefined) void query.andWhere({ revision: ref.revision });
  const row: { body: string } | undefined = await query.first("body");
  return row && (JSON.parse(row.body) as Profile<K>);
}

/** Where a profile comes from: shipped with the program, or written here. */
export type Origin = "shipped" | "own";

/** Digests of the shipped files that are stored. */
export async function shippedDigests(knex: Knex): Promise<Set<string>> {
  const rows = (await knex("profiles")
    .where({ origin: "shipped" })
    .whereNotNull("digest")
    .select("digest")) as {
    digest: string;
  }[];
  return new Set(rows.map(({ digest }) => digest));
}

/** Stores a shipped profile under its id and revision, replacing what an earlier start stored there; never one written here. */
export async function putShipped(
  knex: Knex,
  kind: Kind,
  profile: AnyProfile,
  source: string,
  digest: string,
): Promise<void> {
  const { id, revision } = profile;
  await whenFree(() =>
    knex("profiles")
      .insert({ kind, id, revision, body: JSON.stringify(profile), source, digest, origin: "shipped" })
      .onConflict(["kind", "id", "revision"])
      .merge()
      .where("profiles.origin", "shipped"),
  );
}

/**
 * Retires the shipped profiles of a kind whose ids are shipped no more: they leave the lists, and stay for whoever asks
 * by their id, as the jobs made with them do. One that is shipped again comes back.
 */
export async function retireOthers(knex: Knex, kind: Kind, shipped: readonly string[]): Promise<void> {
  const known = knex("profiles").where({ kind, origin: "shipped" });
  const gone = await known.clone().whereNotIn("id", shipped).where({ retired: false }).first("id");
  const back = await known.clone().whereIn("id", shipped).where({ retired: true }).first("id");
  if (!gone && !back) return;
  await write(knex, async (trx) => {
    const each = trx("profiles").where({ kind, origin: "shipped" });
    await each.clone().whereNotIn("id", shipped).update({ retired: true });
    await each.clone().whereIn("id", shipped).update({ retired: false });
  });
}

/** How far a new revision may lie past the newest: a jump to the last number there is would leave none for anyone. */
export const longestJump = 100;

/**
 * Stores a profile written here. Where its id has this revision or a later one already, or none within reach, nothing is
 * stored, and the newest is told.
 */
export async function addOwn(
  knex: Knex,
  kind: Kind,
  profile: AnyProfile,
  source: string,
): Promise<"stored" | { newest: number }> {
  const { id, revision } = profile;
  return write(knex, async (trx) => {
    const newest = await newestRevision(trx, kind, id);
    if (newest !== undefined && (newest >= revision || revision > newest + longestJump)) return { newest };
    await trx("profiles").insert({
      kind,
      id,
      revision,
      body: JSON.stringify(profile),
      source,
      origin: "own",
    });
    return "stored";
  });
}

/** Whether a job was made with this revision of a profile. */
async function isUsed(trx: Knex, kind: Kind, id: string, revision: number): Promise<boolean> {
  // A job keeps what it took of a preset.
  if (kind === "preset") return false;
  const jobs = trx("jobs");
  const using =
    kind === "board"
      ? jobs.where({ board_id: id, board_revision: revision })
      : jobs.whereRaw(
          `EXISTS (SELECT 1 FROM json_each(devices) AS each
             WHERE json_extract(each.value, '$.id') = ? AND json_extract(each.value, '$.revision') = ?)`,
          [id, revision],
        );
  return (await using.first("id")) !== undefined;
}

/** Removes a revision that was written here and that no job was made with; otherwise nothing is removed, and the reason is told. */
export async function removeOwn(
  knex: Knex,
  kind: Kind,
  { id, revision }: { id: string; revision: number },
): Promise<"removed" | "missing" | "shipped" | "used"> {
  return write(knex, async (trx) => {
    const row = (await trx("profiles").where({ kind, id, revision }).first("origin")) as
      | { origin: Origin }
      | undefined;
    if (!row) return "missing";
    if (row.origin === "shipped") return "shipped";
    if (await isUsed(trx, kind, id, revision)) return "used";
    await trx("profiles").where({ kind, id, revision }).delete();
    return "removed";
  });
}

/** The newest revision of a profile; undefined where there is none. */
async function newestRevision(knex: Knex, kind: Kind, id: string): Promise<number | undefined> {
  const row = (await knex("profiles").where({ kind, id }).max({ newest: "revision" }).first()) as
    | { newest: number | null }
    | undefined;
  return row?.newest ?? undefined;
}

/** The text of a board as it was written; undefined where there is no such board, empty where it was never a text. */
export async function boardSource(
  knex: Knex,
  ref: { id: string; revision?: number },
): Promise<{ source: string | null; body: string } | undefined> {
  const query = knex("profiles").where({ kind: "board", id: ref.id }).orderBy("revision", "desc");
  if (ref.revision !== undefined) void query.andWhere({ revision: ref.revision });
  return (await query.first("source", "body")) as { source: string | null; body: string } | undefined;
}

/** Every revision of a board, the newest first. */
export async function boardRevisions(
  knex: Knex,
  id: string,
): Promise<{ revision: number; origin: Origin | "retired" }[]> {
  return (await knex("profiles")
    .where({ kind: "board", id })
    .orderBy("revision", "desc")
    .select("revision", knex.raw("CASE WHEN retired THEN 'retired' ELSE origin END AS origin"))) as {
    revision: number;
    origin: Origin | "retired";
  }[];
}
