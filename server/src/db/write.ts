import { setTimeout as pause } from "node:timers/promises";
import type { Knex } from "knex";
import { faultOf } from "./faults.ts";

/** How long a write waits for another process that holds the database, ms; meanwhile everything else goes on. */
const patienceMs = 2_000;
/** The first and the longest pause between two attempts, ms. */
const [firstPause, longestPause] = [5, 100];

/** Tries until the database is free, and no longer than its patience; the driver itself never waits, for it would stop everything else. */
export async function whenFree<T>(work: () => Promise<T>): Promise<T> {
  const until = performance.now() + patienceMs;
  for (let wait = firstPause; ; wait = Math.min(2 * wait, longestPause)) {
    try {
      return await work();
    } catch (error) {
      if (faultOf(error) !== "busy" || performance.now() > until) throw error;
      await pause(wait);
    }
  }
}

/** One transaction. Where the disk is full SQLite itself takes it back, and what then fails hides why: the work's own error is told. */
async function attempt<T>(knex: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  let why: unknown;
  try {
    return await knex.transaction(async (trx) => {
      try {
        return await work(trx);
      } catch (error) {
        why = error;
        throw error;
      }
    });
  } catch (error) {
    throw why ?? error;
  }
}

/**
 * Writes all of it or nothing. The database is taken for writing at the beginning, so that nothing which was read within
 * can be changed by another before it is written: only that beginning has to wait, and it is tried again.
 */
export function write<T>(knex: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  return whenFree(() => attempt(knex, work));
}
