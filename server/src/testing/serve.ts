import { copyFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import type { Express } from "express";
import type { Knex } from "knex";
import { pino } from "pino";
import { openDatabase } from "../db/open.ts";
import { createApp } from "../http/app.ts";
import { loadDemo } from "../seed/demo.ts";
import { loadShipped } from "../seed/shipped.ts";
import { freshFolder } from "./folders.ts";

/** The repository's root. */
export const root = resolve(fileURLToPath(new URL(".", import.meta.url)), "../../..");

const templates = new Map<boolean, Promise<string>>();

async function makeTemplate(demo: boolean): Promise<string> {
  const file = join(freshFolder(), "template.db");
  const knex = await openDatabase(file);
  await loadShipped(knex, root);
  if (demo) await loadDemo(knex, root);
  // Closed, all of it stands in the one file.
  await knex.destroy();
  return file;
}

/** A database of its own with everything shipped, and with the demo jobs when asked for; filled once and copied. */
export async function filledDatabase({ demo = false } = {}): Promise<{ knex: Knex; file: string }> {
  const template = templates.get(demo) ?? makeTemplate(demo);
  templates.set(demo, template);
  const file = join(freshFolder(), "test.db");
  copyFileSync(await template, file);
  return { knex: await openDatabase(file), file };
}

/** A server on a database of its own; with the demo jobs when asked for. */
export async function serve(filled: { demo?: boolean } = {}): Promise<{ app: Express; knex: Knex }> {
  const { knex } = await filledDatabase(filled);
  const app = createApp({
    knex,
    logger: pino({ level: "silent" }),
    web: join(root, "web/dist"),
    now: () => "2026-11-24T10:00:00.000Z",
  });
  return { app, knex };
}
