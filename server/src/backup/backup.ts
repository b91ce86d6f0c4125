import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import { basename, join } from "node:path";
import Database from "better-sqlite3";
import { CannotStart } from "../cannot-start.ts";
import { checkCopy } from "./check.ts";

/** Backups that are kept; older ones go. */
export const usuallyKept = 14;

/** More pages than any database has: what is left is copied in one go, so that no stream of saves keeps it from ending. */
const everyPage = 2 ** 31 - 1;

const nameAt = (now: Date) => `anvilcloud-${now.toISOString().replace(/[:.]/g, "-")}.db`;
const isBackup = (name: string) => /^anvilcloud-\d{4}-\d\d-\d\dT[\d-]+Z\.db$/.test(name);

/** What a backup made, and which older ones went for it. */
export interface Made {
  file: string;
  removed: string[];
}

/**
 * Copies a database by SQLite's own backup, while a server goes on writing in it, and checks the copy before it counts.
 * Of the backups in the folder it and the newest others stay, `kept` in all, whatever their dates say of it. Throws
 * CannotStart; then no backup was made, and none went.
 */
export async function backup(
  database: string,
  folder: string,
  { kept, now }: { kept: number; now: Date },
): Promise<Made> {
  if (!existsSync(database))
    throw new CannotStart(`${database}: expected the database, found no such file. Name it in DATABASE.`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, nameAt(now));
  const part = `${file}.part`;
  const source = new Database(database, { fileMustExist: true, timeout: 10_000 });
  try {
    await source.backup(part, { progress: () => everyPage });
    checkCopy(part, "the copy that was just made");
    renameSync(part, file);
  } finally {
    source.close();
    for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(part + end, { force: true });
  }
  const others = readdirSync(folder).filter((name) => isBackup(name) && name !== basename(file));
  const older = others
    .sort()
    .reverse()
    .slice(kept - 1);
  for (const name of older) rmSync(join(folder, name));
  return { file, removed: older };
}
