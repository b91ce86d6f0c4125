import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import createKnex, { type Knex } from "knex";
import { migrationSource } from "./migrations.ts";

/** The part of the SQLite driver that settings are made with. */
interface Connection {
  pragma(source: string): unknown;
}

/**
 * Opens the database and brings its tables up to date. WAL lets pages read while a save is written; synchronous FULL
 * makes an acknowledged save outlive a power cut as well as a killed process.
 */
export async function openDatabase(file: string): Promise<Knex> {
  mkdirSync(dirname(file), { recursive: true });
  const knex = createKnex({
    client: "better-sqlite3",
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: Connection, done: (error: Error | null, connection: Connection) => void) => {
        connection.pragma("journal_mode = WAL");
        connection.pragma("synchronous = FULL");
        connection.pragma("foreign_keys = ON");
        connection.pragma("busy_timeout = 5000");
        done(null, connection);
      },
    },
  });
  await knex.migrate.latest({ migrationSource });
  return knex;
}
