// Copies the database by SQLite's own backup, while the server may go on writing, and checks the copy.
import { dirname, join, relative } from "node:path";
import { backup, usuallyKept } from "../server/src/backup/backup.ts";
import { readConfig } from "../server/src/config.ts";
import { saidOnce } from "./said-once.ts";

await saidOnce(async () => {
  const { database } = readConfig(process.env);
  const folder = process.argv[2] ?? join(dirname(database), "backups");
  const kept = Number(process.env.BACKUPS_KEPT || usuallyKept);
  if (!Number.isInteger(kept) || kept < 1)
    throw new RangeError(`BACKUPS_KEPT: expected a whole number from 1, found "${process.env.BACKUPS_KEPT}"`);
  const { file, removed } = await backup(database, folder, { kept, now: new Date() });
  const here = (path: string) => relative(process.cwd(), path) || path;
  const gone = removed.length ? ` Removed ${removed.length} older.` : "";
  return `Backed up and checked: ${here(file)}.${gone}`;
});
