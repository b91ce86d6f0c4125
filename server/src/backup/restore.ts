import { copyFileSync, existsSync, linkSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { dirname } from "node:path";
import { CannotStart } from "../cannot-start.ts";
import { asideName, beside, clearKilled, moveBeside, mustBeIdle, partName } from "./aside.ts";
import { checkCopy } from "./check.ts";

/**
 * Puts a backup in the place of a database. What was there is set aside, never removed; a kill at any moment leaves either
 * the one or the other whole. Gives the name under which the former lies, undefined where there was none. Throws
 * CannotStart; then nothing was changed.
 */
export function restore(from: string, database: string, now: Date): string | undefined {
  if (!existsSync(from))
    throw new CannotStart(`${from}: expected a backup, found no such file. List them with: ls data/backups`);
  mkdirSync(dirname(database), { recursive: true });
  clearKilled(database, now);
  const part = partName(database);
  try {
    copyFileSync(from, part);
    checkCopy(part, from);
    const aside = asideName(database, now);
    const former = existsSync(database);
    if (former) {
      mustBeIdle(database, "restore again");
      linkSync(database, aside);
    }
    // Even where the database itself is gone: its log would be read into the one restored.
    moveBeside(database, aside);
    renameSync(part, database);
    return former ? aside : undefined;
  } finally {
    for (const end of ["", ...beside]) rmSync(part + end, { force: true });
  }
}
