import type { Server } from "node:http";
import type { Knex } from "knex";
import type { Logger } from "pino";
import type { Work } from "./work/pool.ts";

/** How long open requests may take to end before the process does, ms. */
const graceMs = 5_000;

/** What ends with the process. */
interface Parts {
  knex: Knex;
  work: Work;
  logger: Logger;
}

/** Ends the process when it is asked to: what is being written is finished, what is only being computed is given up. */
export function stopOnSignal(servers: readonly Server[], { knex, work, logger }: Parts): void {
  const stop = (signal: string) => {
    logger.info({ signal }, "stopping");
    setTimeout(() => process.exit(1), graceMs).unref();
    const closed = servers.map((server) => new Promise((done) => server.close(done)));
    for (const server of servers) {
      server.closeIdleConnections();
      // Whoever gets an answer now is not kept after it.
      server.keepAliveTimeout = 1;
    }
    void work
      .close()
      .then(() => Promise.all(closed))
      .then(() => knex.destroy())
      .then(() => process.exit(0));
  };
  process.once("SIGINT", stop);
  process.once("SIGTERM", stop);
}
