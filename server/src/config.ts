import { fileURLToPath } from "node:url";
import { dirname, join, resolve } from "node:path";

/** What the server is told from outside. */
export interface Config {
  host: string;
  port: number;
  /** Path of the SQLite file; its folder is made when missing. */
  database: string;
  /** Folder of the built web app; requests for pages get a 404 where it is missing. */
  web: string;
  /** Folder that holds boards/, devices/ and demo/. */
  shipped: string;
  /** Load the demo jobs into an empty database. */
  demo: boolean;
  logLevel: string;
}

const here = dirname(fileURLToPath(import.meta.url));
const root = resolve(here, "../..");

/** Reads the environment: HOST, PORT, DATABASE, DEMO, LOG_LEVEL. Listens on loopback unless HOST says otherwise. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const port = Number(env.PORT || 4170);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new RangeError(`PORT: expected a whole number from 0 to 65535, found ${JSON.stringify(env.PORT)}`);
  return {
    host: env.HOST ?? "127.0.0.1",
    port,
    database: resolve(env.DATABASE ?? join(root, "data/anvilcloud.db")),
    web: join(root, "web/dist"),
    shipped: root,
    demo: env.DEMO === "1",
    logLevel: env.LOG_LEVEL ?? "info",
  };
}
