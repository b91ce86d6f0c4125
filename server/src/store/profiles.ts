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

/** Stores a shipped profile under its id and revision, replacing what an earlier start stored there. */
export async function putProfile(
  knex: Knex,
  kind: Kind,
  profile: BoardProfile | DeviceProfile,
): Promise<void> {
  await knex("profiles")
    .insert({ kind, id: profile.id, revision: profile.revision, body: JSON.stringify(profile) })
    .onConflict(["kind", "id", "revision"])
    .merge();
}
