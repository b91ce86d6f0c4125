import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import type { Express } from "express";
import type { Knex } from "knex";
import { pino } from "pino";
import { openDatabase } from "../db/open.ts";
import { createApp } from "../http/app.ts";
import { loadDemo } from "../seed/demo.ts";
import { loadShipped } from "../seed/shipped.ts";

/** The repository's root. */
export const root = resolve(fileURLToPath(new URL(".", import.meta.url)), "../../..");

/** A folder of its own for one test. */
export const freshFolder = () => mkdtempSync(join(tmpdir(), "anvilcloud-"));

/** A server on a database of its own; with the demo jobs when asked for. */
export async function serve({ demo = false } = {}): Promise<{ app: Express; knex: Knex }> {
  const knex = await openDatabase(join(freshFolder(), "test.db"));
  await loadShipped(knex, root);
  if (demo) await loadDemo(knex, root);
  const app = createApp({
    knex,
    logger: pino({ level: "silent" }),
    web: join(root, "web/dist"),
    now: () => "2026-11-24T10:00:00.000Z",
  });
  return { app, knex };
}
