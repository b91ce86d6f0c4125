// Puts a backup in the place of the database, and sets aside what was there.
import { relative } from "node:path";
import { CannotStart } from "../server/src/cannot-start.ts";
import { restore } from "../server/src/backup/restore.ts";
import { readConfig } from "../server/src/config.ts";
import { saidOnce } from "./said-once.ts";

await saidOnce(() => {
  const [from] = process.argv.slice(2);
  if (from === undefined)
    throw new CannotStart("Name the backup: npm run restore -- data/backups/anvilcloud-….db");
  const { database } = readConfig(process.env);
  const aside = restore(from, database, new Date());
  const here = (path: string) => relative(process.cwd(), path) || path;
  const former = aside === undefined ? "" : ` What was there before lies in ${here(aside)}.`;
  return Promise.resolve(`Restored and checked: ${here(database)}.${former}`);
});
