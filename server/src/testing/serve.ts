import { copyFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import type { LogEntry } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import { pino } from "pino";
import { openDatabase } from "../db/open.ts";
import { createApp, type AppParts } from "../http/app.ts";
import { loopbackNames } from "../http/guard/host.ts";
import { loadDemo } from "../seed/demo.ts";
import { loadShipped } from "../seed/shipped.ts";
import { logPages } from "../store/log.ts";
import type { Work } from "../work/pool.ts";
import { tasks } from "../work/tasks.ts";
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

/** The file of a database of its own with everything shipped, and with the demo jobs when asked for; filled once and copied. */
export async function filledFile({ demo = false } = {}): Promise<string> {
  const template = templates.get(demo) ?? makeTemplate(demo);
  templates.set(demo, template);
  const file = join(freshFolder(), "test.db");
  copyFileSync(await template, file);
  return file;
}

/** The same, opened. */
export async function filledDatabase(filled: { demo?: boolean } = {}): Promise<{ knex: Knex; file: string }> {
  const file = await filledFile(filled);
  return { knex: await openDatabase(file), file };
}

/** The whole log of a job. */
export async function readLog(knex: Knex, jobId: string): Promise<LogEntry[]> {
  const log: LogEntry[] = [];
  for await (const page of logPages(knex, jobId)) log.push(...page);
  return log;
}

/** Does every task at once, in the thread that asks: routes are tested without starting threads. */
const inlineWork: Work = {
  atOnce: () => 1,
  run: async (name, input) => (await (tasks[name] as (input: unknown) => unknown)(input)) as never,
  close: () => Promise.resolve(),
};

/** What an app is made with in a test, on a database. */
export const partsOn = ({ knex, file }: { knex: Knex; file: string }): AppParts => ({
  knex,
  work: inlineWork,
  database: file,
  incoming: `${file}.incoming`,
  hosts: loopbackNames,
  logger: pino({ level: "silent" }),
  web: join(root, "web/dist"),
  now: () => "2026-11-24T10:00:00.000Z",
});

/** A server on a database of its own; with the demo jobs when asked for, and with other parts where they are given. */
export async function serve(
  filled: { demo?: boolean } = {},
  other: Partial<AppParts> = {},
): Promise<{ app: Express; knex: Knex; file: string }> {
  const database = await filledDatabase(filled);
  return { app: createApp({ ...partsOn(database), ...other }), ...database };
}
