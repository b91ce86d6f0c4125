import { existsSync } from "node:fs";
import Database from "better-sqlite3";
import { CannotStart } from "../cannot-start.ts";
import { faultOf } from "../db/faults.ts";
import { migrations } from "../db/migrations.ts";

/** Reads every page of a copy, and what its tables claim of one another. Throws CannotStart that says what is wrong with it. */
function inspect(copy: Database.Database, name: string): void {
  const refuse = (found: string) => {
    throw new CannotStart(`${name}: expected a sound database of Anvilcloud, found ${found}.`);
  };
  const whole = copy.pragma("integrity_check(1)", { simple: true });
  if (whole !== "ok") refuse(`a damaged one (${String(whole)})`);
  if ((copy.pragma("foreign_key_check") as unknown[]).length) refuse("log entries that belong to no job");
  const tables = copy.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all();
  if (!tables.includes("knex_migrations") || !tables.includes("jobs")) refuse("another program's");
  const made = copy.prepare("SELECT name FROM knex_migrations").pluck().all() as string[];
  const strange = made.find((change) => !migrations.some(({ name: known }) => known === change));
  if (strange) refuse(`one that a later version changed (${strange})`);
}

/** Signs everyone out of a copy: who has left since it was made would be in again once it is restored. */
function forgetSessions(copy: Database.Database): void {
  if (copy.prepare("SELECT 1 FROM sqlite_master WHERE name = 'sessions'").get())
    copy.exec("DELETE FROM sessions");
}

/**
 * Checks a copy of a database that nobody else has open, and leaves it as the one file it is, without a file beside it
 * and with nobody signed in.
 * `name` is what it is called when something is wrong. Throws CannotStart.
 */
export function checkCopy(file: string, name: string): void {
  if (!existsSync(file)) throw new CannotStart(`${name}: expected a database, found no such file.`);
  let copy: Database.Database | undefined;
  try {
    copy = new Database(file, { fileMustExist: true });
    copy.pragma("journal_mode = DELETE");
    inspect(copy, name);
    forgetSessions(copy);
  } catch (error) {
    if (!faultOf(error)) throw error;
    const why = (error as Error).message;
    throw new CannotStart(`${name}: expected a sound database of Anvilcloud, found none (${why}).`, error);
  } finally {
    copy?.close();
  }
}
