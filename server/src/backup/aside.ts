import { existsSync, readdirSync, renameSync, rmSync, statSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import Database from "better-sqlite3";
import { CannotStart } from "../cannot-start.ts";
import { faultOf } from "../db/faults.ts";

/** Files that SQLite keeps beside a database; one of another database's must never lie beside it. */
export const beside = ["-wal", "-shm", "-journal"];

/**
 * Refuses while a server has the database open: only when nobody else has can its write-ahead log be given up. A damaged
 * one cannot be asked, and is what is set aside. `then` says what to do once it is stopped. Throws CannotStart.
 */
export function mustBeIdle(database: string, then: string): void {
  let idle: Database.Database | undefined;
  try {
    idle = new Database(database, { fileMustExist: true, timeout: 0 });
    idle.pragma("journal_mode = DELETE");
  } catch (error) {
    if (faultOf(error) === "busy")
      throw new CannotStart(
        `${database}: expected a database that nobody has open, found that a server has. Stop it, then ${then}.`,
        error,
      );
    if (!faultOf(error)) throw error;
  } finally {
    idle?.close();
  }
}

/** The name under which a database is set aside. */
export const asideName = (database: string, now: Date): string =>
  `${database}.before-${now.toISOString().replace(/[:.]/g, "-")}`;

/** Where a backup is checked before it takes the place of a database. */
export const partName = (database: string): string => `${database}.restored`;

/** No restore takes so long, ms: what is older was left by one that was killed. */
const longestMs = 3_600_000;

/**
 * Takes away what a restore left that was killed: the copy it was checking, and a second name of the database that is
 * still in its place. Databases that were set aside stay, and so does all that a restore may still be at work on.
 */
export function clearKilled(database: string, now: Date): void {
  const since = new Date(now.getTime() - longestMs);
  for (const end of ["", ...beside]) {
    const left = partName(database) + end;
    if (existsSync(left) && statSync(left).mtimeMs < since.getTime()) rmSync(left);
  }
  if (!existsSync(database)) return;
  const { ino, dev } = statSync(database);
  const named = (at: Date) => basename(asideName(database, at));
  const asides = readdirSync(dirname(database)).filter((name) =>
    name.startsWith(`${basename(database)}.before-`),
  );
  for (const name of asides.filter((each) => each < named(since))) {
    const other = join(dirname(database), name);
    const { ino: same, dev: there } = statSync(other);
    if (same === ino && there === dev) rmSync(other);
  }
}

/** Moves what lies beside a database, so that nothing of it is read into the one that takes its place. */
export function moveBeside(database: string, aside: string): void {
  for (const end of beside) if (existsSync(database + end)) renameSync(database + end, aside + end);
}

/** Sets a database aside that nobody has open; gives its new name, undefined where there was none. Throws CannotStart; then nothing was changed. */
export function setAside(database: string, now: Date): string | undefined {
  const aside = asideName(database, now);
  const former = existsSync(database);
  if (former) mustBeIdle(database, "start over again");
  moveBeside(database, aside);
  if (!former) return undefined;
  renameSync(database, aside);
  return aside;
}
