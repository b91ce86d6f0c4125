import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { isLoopback } from "./access/names.ts";
import { CannotStart } from "./cannot-start.ts";

/** What the server is told from outside. */
export interface Config {
  host: string;
  port: number;
  /** Path of the SQLite file; its folder is made when missing. */
  database: string;
  /** Folder in which job files arrive. */
  incoming: string;
  /** Folder of the built web app; requests for pages get a 404 where it is missing. */
  web: string;
  /** Folder that holds boards/, devices/ and demo/. */
  shipped: string;
  /** Load the demo jobs into an empty database. */
  demo: boolean;
  logLevel: string;
  /** How others reach it; undefined on loopback, where nobody else does. */
  beyond?: Beyond;
}

/** What is needed to be reached from other machines. */
export interface Beyond {
  /** Passphrase to be set; undefined where the one that was set before holds. */
  passphrase?: string;
  /** Files of a certificate and its key; undefined where one is made. */
  tls?: { certificate: string; key: string };
  /** Folder in which what is made is kept. */
  made: string;
  /** Port of the page that says how to trust a certificate made here. */
  trustPort: number;
}

const here = dirname(fileURLToPath(import.meta.url));
const root = resolve(here, "../..");

function portOf(env: NodeJS.ProcessEnv, name: string, usual: number): number {
  const port = Number(env[name] || usual);
  if (Number.isInteger(port) && port >= 0 && port <= 65_535) return port;
  throw new CannotStart(
    `${name}: expected a whole number from 0 to 65535, found ${JSON.stringify(env[name])}`,
  );
}

function beyondOf(env: NodeJS.ProcessEnv, port: number, database: string): Beyond {
  const { PASSPHRASE: passphrase, TLS_CERT: certificate, TLS_KEY: key } = env;
  if (!certificate !== !key)
    throw new CannotStart(
      `${certificate ? "TLS_KEY" : "TLS_CERT"}: expected a file beside ${certificate ? "TLS_CERT" : "TLS_KEY"}, found none. Give both, or neither to have a certificate made.`,
    );
  return {
    ...(passphrase ? { passphrase } : {}),
    ...(certificate && key ? { tls: { certificate: resolve(certificate), key: resolve(key) } } : {}),
    made: join(dirname(database), "tls"),
    trustPort: portOf(env, "TRUST_PORT", port && port < 65_535 ? port + 1 : 0),
  };
}

/**
 * Reads the environment: HOST, PORT, DATABASE, DEMO, LOG_LEVEL; where HOST is not loopback also PASSPHRASE, TLS_CERT,
 * TLS_KEY and TRUST_PORT. Throws CannotStart that says what was expected.
 */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const host = env.HOST || "127.0.0.1";
  const port = portOf(env, "PORT", 4170);
  const database = resolve(env.DATABASE || join(root, "data/anvilcloud.db"));
  return {
    host,
    port,
    database,
    incoming: `${database}.incoming`,
    web: join(root, "web/dist"),
    shipped: root,
    demo: env.DEMO === "1",
    logLevel: env.LOG_LEVEL ?? "info",
    ...(isLoopback(host) ? {} : { beyond: beyondOf(env, port, database) }),
  };
}
