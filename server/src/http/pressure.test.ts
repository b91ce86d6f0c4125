import type { EventEmitter } from "node:events";
import type { Job } from "@anvilcloud/core";
import Database from "better-sqlite3";
import express, { type Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { faultOf } from "../db/faults.ts";
import { readLog, serve } from "../testing/serve.ts";
import { Overloaded } from "../work/overloaded.ts";
import { healthRoutes } from "./health.ts";

let app: Express;
let knex: Knex;
let file: string;
beforeEach(async () => ({ app, knex, file } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const note = (id: string, text = "dry") => ({
  id,
  at: "2026-11-24T09:00:00.000Z",
  by: "",
  kind: "note",
  text,
});
const add = (id: string, text?: string) => request(app).post("/api/jobs/netloft/log").send(note(id, text));

describe("a database that another program holds", () => {
  test("for writing: reads go on, health goes on, a write waits, then says when to come back", async () => {
    const other = new Database(file);
    other.exec("BEGIN IMMEDIATE");
    const waiting = add("n1");
    const waited = waiting.then((answer) => answer);
    for (let n = 0; n < 3; n++) {
      await request(app).get("/api/jobs/netloft").expect(200);
      expect((await request(app).get("/api/health")).body).toEqual({ status: "ok", database: "ok" });
    }
    const refused = await waited;
    expect(refused.status).toBe(503);
    expect(refused.headers["retry-after"]).toBe("2");
    expect(refused.body).toMatchObject({ title: "Database in use" });
    expect(await readLog(knex, "netloft")).toEqual([]);
    other.exec("COMMIT");
    await add("n1").expect(201);
    other.close();
  });

  test("a write that comes while it is held is stored as soon as it is free", async () => {
    const other = new Database(file);
    other.exec("BEGIN IMMEDIATE");
    const met = new Promise((refused) => (knex.client as EventEmitter).once("query-error", refused));
    const waited = add("n1").then((answer) => answer);
    // Let go only once the write has met the lock.
    expect(faultOf(await met)).toBe("busy");
    other.exec("COMMIT");
    other.close();
    expect((await waited).status).toBe(201);
  });

  test("a transaction that could not be ended is given up by the next, with all that stood in it", async () => {
    const client = knex.client as {
      acquireConnection(): Promise<Database.Database>;
      releaseConnection(c: unknown): Promise<void>;
    };
    const connection = await client.acquireConnection();
    connection.exec("BEGIN; UPDATE jobs SET title = 'half done'");
    await client.releaseConnection(connection);
    await add("n1").expect(201);
    const { body } = await request(app).get("/api/jobs");
    expect(JSON.stringify(body)).not.toContain("half done");
  });

  test("a write takes it at once: what it read cannot be changed by another before it writes", async () => {
    const other = new Database(file, { timeout: 0 });
    await knex.transaction(async (trx) => {
      await trx("jobs").where({ id: "netloft" }).first("version");
      expect(() => other.exec("UPDATE jobs SET version = 9 WHERE id = 'netloft'")).toThrow(/locked/);
    });
    other.close();
  });
});

test.each([
  ["SQLITE_BUSY", "in-use"],
  ["SQLITE_IOERR_READ", "failing"],
])("health answers whatever the database does: %s", async (code, database) => {
  const broken = { raw: () => Promise.reject(Object.assign(new Error(code), { code })) };
  const alone = express().use(healthRoutes(broken as unknown as Knex));
  await request(alone).get("/health").expect(200, { status: "ok", database });
});

describe("a full disk", () => {
  test("is told as one; nothing is half-saved, and all is well once there is room", async () => {
    const [{ page_count: pages }] = (await knex.raw("PRAGMA page_count")) as [{ page_count: number }];
    await knex.raw(`PRAGMA max_page_count = ${pages + 4}`);
    const { body, headers } = await request(app).get("/api/jobs/netloft");
    const long = "x".repeat(1_900);
    const statuses: number[] = [];
    for (let n = 0; n < 30; n++) statuses.push((await add(`n${n}`, long)).status);
    const stored = statuses.filter((status) => status === 201).length;
    expect([...new Set(statuses)].sort()).toEqual([201, 507]);
    expect(statuses.at(-1)).toBe(507);
    expect(await readLog(knex, "netloft")).toHaveLength(stored);
    const refused = await request(app)
      .put("/api/jobs/netloft")
      .set("If-Match", headers.etag!)
      .send({ ...(body.job as Job), survey: { ...body.job.survey, notes: long } });
    expect(refused.status).toBe(507);
    expect(refused.body).toMatchObject({
      title: "No room left",
      detail: expect.stringContaining("Nothing was saved"),
    });
    expect((await request(app).get("/api/jobs/netloft")).body.job).toEqual(body.job);
    await request(app).get("/api/health").expect(200);
    await knex.raw("PRAGMA max_page_count = 1000000");
    await add("room", long).expect(201);
  });
});

test("work for which there is no room is told with the time to come back", async () => {
  const work = {
    atOnce: () => 1,
    run: () => Promise.reject(new Overloaded("Too much.", 20)),
    close: () => Promise.resolve(),
  };
  const full = await serve({}, { work });
  const answer = await request(full.app).post("/api/plan").send({}).expect(503);
  expect(answer.headers["retry-after"]).toBe("20");
  expect(answer.body).toMatchObject({ title: "Too much to do", detail: "Too much." });
  await full.knex.destroy();
});
