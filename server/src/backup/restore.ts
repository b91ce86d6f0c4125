import { copyFileSync, existsSync, linkSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { dirname } from "node:path";
import Database from "better-sqlite3";
import { CannotStart } from "../cannot-start.ts";
import { faultOf } from "../db/faults.ts";
import { checkCopy } from "./check.ts";

/** Files that SQLite keeps beside a database; one of another database's must never lie beside it. */
const beside = ["-wal", "-shm", "-journal"];

/**
 * Refuses while a server has the database open: only when nobody else has can its write-ahead log be given up. A damaged
 * one cannot be asked, and is what a restore is for.
 */
function mustBeIdle(database: string): void {
  let idle: Database.Database | undefined;
  try {
    idle = new Database(database, { fileMustExist: true, timeout: 0 });
    idle.pragma("journal_mode = DELETE");
  } catch (error) {
    if (faultOf(error) === "busy")
      throw new CannotStart(
        `${database}: expected a database that nobody has open, found that a server has. Stop it, then restore again.`,
        error,
      );
    if (!faultOf(error)) throw error;
  } finally {
    idle?.close();
  }
}

/**
 * Puts a backup in the place of a database. What was there is set aside, never removed; a kill at any moment leaves either
 * the one or the other whole. Gives the name under which the former lies, undefined where there was none. Throws
 * CannotStart; then nothing was changed.
 */
export function restore(from: string, database: string, now: Date): string | undefined {
  if (!existsSync(from))
    throw new CannotStart(`${from}: expected a backup, found no such file. List them with: ls data/backups`);
  mkdirSync(dirname(database), { recursive: true });
  const part = `${database}.restored`;
  try {
    copyFileSync(from, part);
    checkCopy(part, from);
    const aside = `${database}.before-${now.toISOString().replace(/[:.]/g, "-")}`;
    const former = existsSync(database);
    if (former) {
      mustBeIdle(database);
      linkSync(database, aside);
    }
    // Even where the database itself is gone: its log would be read into the one restored.
    for (const end of beside) if (existsSync(database + end)) renameSync(database + end, aside + end);
    renameSync(part, database);
    return former ? aside : undefined;
  } finally {
    for (const end of ["", ...beside]) rmSync(part + end, { force: true });
  }
}
