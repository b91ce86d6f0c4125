// Sets the database aside, so that the next start begins with the demo jobs: npm run demo -- --fresh.
import { relative } from "node:path";
import { setAside } from "../server/src/backup/aside.ts";
import { readConfig } from "../server/src/config.ts";
import { saidOnce } from "./said-once.ts";

await saidOnce(() => {
  const { database } = readConfig(process.env);
  const aside = setAside(database, new Date());
  const former =
    aside === undefined ? "" : ` What was there before lies in ${relative(process.cwd(), aside) || aside}.`;
  return Promise.resolve(`demo: starting over with the demo jobs.${former}`);
});
