import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import createKnex, { type Knex } from "knex";
import { migrate } from "./migrate.ts";
import { whenFree, write } from "./write.ts";

/** The part of the SQLite driver that is used here. */
interface Connection {
  pragma(source: string, options?: { simple: boolean }): unknown;
  prepare(sql: string): unknown;
  exec(sql: string): unknown;
  readonly inTransaction: boolean;
}

/** Settings a connection begins with. They may have to wait, and then are made as a whole again. */
function prepareConnection(connection: Connection): void {
  // A wait in here would stop the whole server: whoever writes waits outside, and reads are refused.
  connection.pragma("busy_timeout = 0");
  connection.pragma("journal_mode = WAL");
  connection.pragma("synchronous = FULL");
  connection.pragma("foreign_keys = ON");
  // A transaction takes the database for writing at once, not with its first write: see `write`.
  const prepare = connection.prepare.bind(connection);
  connection.prepare = (sql) => {
    if (sql !== "BEGIN;") return prepare(sql);
    // One that could not be ended, for want of room, is given up with all that stood in it.
    if (connection.inTransaction) connection.exec("ROLLBACK");
    return prepare("BEGIN IMMEDIATE;");
  };
}

/** Thrown where SQLite's own check finds the file damaged; coded as SQLite codes it. */
class DamagedDatabase extends Error {
  readonly code = "SQLITE_CORRUPT";
}

async function checkWhole(knex: Knex): Promise<void> {
  const [row] = (await knex.raw("PRAGMA quick_check(1)")) as [{ quick_check: string } | undefined];
  if (row?.quick_check !== "ok") throw new DamagedDatabase(row?.quick_check ?? "no answer");
}

const quiet = () => undefined;

/** A connection to the database, its tables left as they are. */
export function connect(file: string): Knex {
  return createKnex({
    client: "better-sqlite3",
    connection: { filename: file },
    useNullAsDefault: true,
    // What was to be stored has no place in an error, nor in a log of errors.
    compileSqlOnError: false,
    // Whoever asked gets the error, and tells it once.
    log: { warn: quiet, error: quiet, debug: quiet },
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: Connection, done: (error: Error | null, connection: Connection) => void) => {
        try {
          prepareConnection(connection);
          done(null, connection);
        } catch (error) {
          done(error as Error, connection);
        }
      },
    },
  });
}

/**
 * Opens the database and brings its tables up to date. WAL lets pages read while a save is written; synchronous FULL
 * makes an acknowledged save outlive a power cut as well as a killed process. Throws what SQLite, its
 * check of the whole file, or `migrate` says; `startFault` makes a sentence of it.
 */
export async function openDatabase(file: string): Promise<Knex> {
  mkdirSync(dirname(file), { recursive: true });
  const knex = connect(file);
  try {
    await whenFree(() => checkWhole(knex));
    await migrate(knex);
    // A file that may only be read shows itself with the first write: better now than under someone's hands.
    await write(knex, (trx) => trx("knex_migrations").update({ batch: 1 }));
    return knex;
  } catch (error) {
    await knex.destroy();
    throw error;
  }
}
