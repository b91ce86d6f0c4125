import type { Knex } from "knex";
import { whenFree, write } from "../db/write.ts";

/** The hash of the passphrase; undefined where none was set. */
export async function passphraseHash(knex: Knex): Promise<string | undefined> {
  const row = (await knex("passphrase").first("hash")) as { hash: string } | undefined;
  return row?.hash;
}

/** Sets the passphrase; who was signed in with the one before is signed in no more. */
export async function setPassphraseHash(knex: Knex, hash: string): Promise<void> {
  await write(knex, async (trx) => {
    await trx("passphrase").delete();
    await trx("sessions").delete();
    await trx("passphrase").insert({ only: 1, hash });
  });
}

/** Keeps a session under the digest of its token, until a time, ISO 8601; takes those away that are over. */
export async function addSession(knex: Knex, digest: string, until: string, now: string): Promise<void> {
  await write(knex, async (trx) => {
    await trx("sessions").where("until", "<=", now).delete();
    await trx("sessions").insert({ digest, until });
  });
}

/** Whether a session is kept and not over. */
export async function hasSession(knex: Knex, digest: string, now: string): Promise<boolean> {
  return (await knex("sessions").where({ digest }).where("until", ">", now).first("digest")) !== undefined;
}

/** Ends a session. */
export async function endSession(knex: Knex, digest: string): Promise<void> {
  await whenFree(() => knex("sessions").where({ digest }).delete());
}
