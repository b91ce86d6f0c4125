import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { jobFormat, parseBundle, readBoard } from "@anvilcloud/core";
import express, { type Express } from "express";
import type { Knex } from "knex";
import { pino } from "pino";
import { openDatabase } from "../server/src/db/open.ts";
import { createApp } from "../server/src/http/app.ts";
import { loopbackNames } from "../server/src/http/guard/host.ts";
import { loadDemo } from "../server/src/seed/demo.ts";
import { loadShipped } from "../server/src/seed/shipped.ts";
import { insertJob } from "../server/src/store/jobs.ts";
import { createWork } from "../server/src/work/pool.ts";
import { medianMs, report } from "./measure.ts";

const root = resolve(fileURLToPath(new URL("..", import.meta.url)));
const jobs = 10_000;
const reads = 300;

async function fill(knex: Knex): Promise<void> {
  await loadShipped(knex, root);
  await loadDemo(knex, root);
  const board = readBoard(readFileSync(join(root, "boards/quillmarsh-tandrel.yaml"), "utf8"), "board");
  const { job } = JSON.parse(readFileSync(join(root, "demo/netloft.json"), "utf8")) as {
    job: { devices: unknown[] };
  };
  const bare = parseBundle({
    format: jobFormat,
    job: { ...job, devices: [] },
    board,
    devices: [],
    log: [],
  });
  for (let n = 0; n < jobs; n++)
    await insertJob(knex, { ...bare, job: { ...bare.job, id: `job-${n}` } }, "2026-11-24T00:00:00.000Z");
}

/** The plainest route that reads one row and sends it. */
function bareApp(knex: Knex): Express {
  const app = express();
  app.get("/row/:id", async (request, response) => {
    const row: unknown = await knex("jobs").where({ id: request.params.id }).first();
    response.json(row);
  });
  return app;
}

async function readAll(app: Express, address: (n: number) => string): Promise<number> {
  const server = app.listen(0, "127.0.0.1");
  await new Promise((listening) => server.once("listening", listening));
  const { port } = server.address() as AddressInfo;
  const round = async () => {
    for (let n = 0; n < reads; n++)
      await (await fetch(`http://127.0.0.1:${port}${address(n)}`)).arrayBuffer();
  };
  await round();
  const ms = await medianMs(5, round);
  server.close();
  server.closeAllConnections();
  return ms;
}

/** Reading a job over the API at 10 000 jobs, against a bare Express route that reads one SQLite row. */
export async function benchApiRead(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-bench-"));
  const database = join(folder, "bench.db");
  const knex = await openDatabase(database);
  await fill(knex);
  const logger = pino({ level: "silent" });
  const work = createWork();
  const now = () => "2026-11-24T00:00:00.000Z";
  const places = { database, incoming: join(folder, "arriving"), web: root, hosts: loopbackNames };
  const app = createApp({ knex, work, logger, now, ...places });
  const ours = await readAll(app, (n) => `/api/jobs/job-${(n * 31) % jobs}`);
  const bare = await readAll(bareApp(knex), (n) => `/row/job-${(n * 31) % jobs}`);
  await knex.destroy();
  rmSync(folder, { recursive: true, force: true });
  report(`API read at ${jobs} jobs, throughput against a bare route`, bare / ours, "budget: at least 0.5");
}
