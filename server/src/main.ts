import type { AddressInfo } from "node:net";
import { pino } from "pino";
import { readConfig } from "./config.ts";
import { openDatabase } from "./db/open.ts";
import { createApp } from "./http/app.ts";
import { loadDemo } from "./seed/demo.ts";
import { loadShipped } from "./seed/shipped.ts";

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel });
const knex = await openDatabase(config.database);
await loadShipped(knex, config.shipped);
if (config.demo) {
  const loaded = await loadDemo(knex, config.shipped);
  if (loaded) logger.info({ jobs: loaded }, "demo jobs loaded");
}

const app = createApp({ knex, logger, web: config.web, now: () => new Date().toISOString() });
const server = app.listen(config.port, config.host, (error?: Error) => {
  if (error) {
    const taken = (error as NodeJS.ErrnoException).code === "EADDRINUSE";
    process.stderr.write(
      taken
        ? `Port ${config.port} on ${config.host} is taken. Stop what uses it, or choose another: PORT=4180 npm run demo\n`
        : `Cannot listen on ${config.host}:${config.port}: ${error.message}\n`,
    );
    process.exit(1);
  }
  const { port } = server.address() as AddressInfo;
  process.stdout.write(`Anvilcloud is at http://${config.host}:${port}\n`);
});

/** How long open requests may take to end before the process does, ms. */
const graceMs = 5_000;

function stop(signal: string): void {
  logger.info({ signal }, "stopping");
  const force = setTimeout(() => process.exit(1), graceMs);
  force.unref();
  server.close(() => {
    void knex.destroy().then(() => process.exit(0));
  });
  server.closeIdleConnections();
}
process.once("SIGINT", stop);
process.once("SIGTERM", stop);
