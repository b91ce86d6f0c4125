import type { BoardProfile, DeviceProfile } from "@anvilcloud/core";
import type { Knex } from "knex";

type Kind = "board" | "device";
type Profile<K extends Kind> = K extends "board" ? BoardProfile : DeviceProfile;

/** Every profile of a kind, each in its newest revision, by name. */
export async function listProfiles<K extends Kind>(knex: Knex, kind: K): Promise<Profile<K>[]> {
  const rows = await knex<{ kind: string; id: string; revision: number; body: string }>("profiles")
    .where({ kind })
    .orderBy([{ column: "id" }, { column: "revision", order: "desc" }]);
  const newest = rows.filter((row, at) => rows[at - 1]?.id !== row.id);
  return newest.map((row) => JSON.parse(row.body) as Profile<K>).sort((a, b) => a.name.localeCompare(b.name));
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
  profile: BoardProfile | DeviceProfile,
  source: string,
  digest: string,
): Promise<void> {
  const { id, revision } = profile;
  await knex("profiles")
    .insert({ kind, id, revision, body: JSON.stringify(profile), source, digest, origin: "shipped" })
    .onConflict(["kind", "id", "revision"])
    .merge()
    .where("profiles.origin", "shipped");
}

/** Stores a profile written here. False, and nothing stored, when its id has this revision or a later one already. */
export async function addOwn(
  knex: Knex,
  kind: Kind,
  profile: BoardProfile | DeviceProfile,
  source: string,
): Promise<boolean> {
  const { id, revision } = profile;
  return knex.transaction(async (trx) => {
    const newest = await newestRevision(trx, kind, id);
    if (newest !== undefined && newest >= revision) return false;
    await trx("profiles").insert({
      kind,
      id,
      revision,
      body: JSON.stringify(profile),
      source,
      origin: "own",
    });
    return true;
  });
}

/** The newest revision of a profile; undefined where there is none. */
export async function newestRevision(knex: Knex, kind: Kind, id: string): Promise<number | undefined> {
  const row = (await knex("profiles").where({ kind, id }).max({ newest: "revision" }).first()) as
    { newest: number | null } | undefined;
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
): Promise<{ revision: number; origin: Origin }[]> {
  return (await knex("profiles")
    .where({ kind: "board", id })
    .orderBy("revision", "desc")
    .select("revision", "origin")) as { revision: number; origin: Origin }[];
}
