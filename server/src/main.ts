import { createServer } from "node:http";
import { clearKilled } from "./backup/aside.ts";
import { CannotStart } from "./cannot-start.ts";
import { readConfig, type Config } from "./config.ts";
import { openDatabase } from "./db/open.ts";
import { startFault } from "./db/start-fault.ts";
import { createApp } from "./http/app.ts";
import { loopbackNames } from "./http/guard/host.ts";
import { clearSpool } from "./http/spool.ts";
import { listen } from "./listen.ts";
import { createLogger } from "./logger.ts";
import { loadDemo } from "./seed/demo.ts";
import { loadShipped } from "./seed/shipped.ts";
import { stopOnSignal } from "./stop.ts";
import { createWork } from "./work/pool.ts";

async function serve(config: Config): Promise<void> {
  const { host, port, database, incoming, web, beyond } = config;
  const logger = createLogger(config.logLevel);
  clearKilled(database, new Date());
  const knex = await openDatabase(database);
  await loadShipped(knex, config.shipped);
  const loaded = config.demo ? await loadDemo(knex, config.shipped) : 0;
  if (loaded) logger.info({ jobs: loaded }, "demo jobs loaded");

  await clearSpool(incoming);
  const work = createWork();
  const parts = { knex, work, database, incoming, logger, web, now: () => new Date().toISOString() };
  const say = (line: string) => process.stdout.write(`${line}\n`);
  if (beyond) {
    const { beyondThisMachine } = await import("./beyond.ts");
    const servers = await beyondThisMachine({ ...parts, host, port, beyond, say });
    stopOnSignal(servers, { knex, work, logger });
    return;
  }
  const server = createServer(createApp({ ...parts, hosts: [...loopbackNames, host] }));
  const at = await listen(server, port, host);
  say(`Anvilcloud is at http://${host === "::1" ? "[::1]" : host}:${at}`);
  stopOnSignal([server], { knex, work, logger });
}

/** Why the server does not start, as a sentence for whoever started it; a fault of the program with all that is known. */
function why(error: unknown, database: string): string {
  const told = startFault(error, database);
  if (told) return told;
  const { message, stack } = error as Error;
  return error instanceof CannotStart || !stack ? message : stack;
}

let database = "the database";
try {
  const config = readConfig(process.env);
  ({ database } = config);
  await serve(config);
} catch (error) {
  process.stderr.write(`${why(error, database)}\n`);
  process.exit(1);
}
