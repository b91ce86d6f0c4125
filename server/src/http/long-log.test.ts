import { connect } from "node:net";
import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pinNode, terminalNode, type JobBundle, type LogEntry, type LogPage } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { readLog, serve } from "../testing/serve.ts";
import { logPages } from "../store/log.ts";
import { clearSpool } from "./spool.ts";

let app: Express;
let knex: Knex;
let file: string;
let bundle: JobBundle;
beforeAll(async () => {
  ({ app, knex, file } = await serve({ demo: true }));
  bundle = (await request(app).get("/api/jobs/ropewalk/bundle")).body as JobBundle;
});
afterAll(() => knex.destroy());

const note = (at: number, text = `note ${at}`): LogEntry => ({
  id: `n${at}`,
  at: "2026-11-24T09:00:00.000Z",
  by: "Ivet",
  kind: "note",
  text,
});

/** The demo's log, and many notes after it. */
const long = (id: string, count: number, text?: string): JobBundle => ({
  ...bundle,
  job: { ...bundle.job, id },
  log: [...bundle.log, ...Array.from({ length: count }, (_, at) => note(at, text))],
});

const send = (value: object) => request(app).post("/api/bundles").send(value);

/** Every page of a job's log, as a page of the app reads them. */
async function pages(id: string): Promise<LogPage[]> {
  const all: LogPage[] = [];
  for (let after: number | null = 0; after !== null; after = all.at(-1)!.next)
    all.push((await request(app).get(`/api/jobs/${id}/log?after=${after}`).expect(200)).body as LogPage);
  return all;
}

describe("a long log", () => {
  test("comes in as it went out, and is read page by page, none missing and none twice", async () => {
    const sent = long("long", 1_700);
    await send(sent).expect(201);
    const again = await request(app).get("/api/jobs/long/bundle").expect(200);
    expect(again.body).toEqual(sent);
    const read = await pages("long");
    expect(read.map(({ log }) => log.length)).toEqual([500, 500, 500, sent.log.length - 1_500]);
    expect(read.flatMap(({ log }) => log)).toEqual(sent.log);
  });

  test("has no page much larger than half a megabyte, however long its entries are", async () => {
    const sent = long("wordy", 900, "x".repeat(1_990));
    await send(sent).expect(201);
    const read = await pages("wordy");
    for (const page of read) expect(JSON.stringify(page).length).toBeLessThan(520_000);
    expect(read.flatMap(({ log }) => log)).toEqual(sent.log);
  });

  test("goes out as it stood when it was asked for, whatever is added meanwhile", async () => {
    const sent = long("growing", 600);
    await send(sent).expect(201);
    const parts = logPages(knex, "growing");
    const out = [...(await parts.next()).value!];
    await request(app).post("/api/jobs/growing/log").send(note(9_999)).expect(201);
    for await (const part of parts) out.push(...part);
    expect(out).toEqual(sent.log);
  });

  test("is told to the end by where it was read to; nonsense is refused", async () => {
    const { body } = await request(app).get("/api/jobs/netloft/log").expect(200);
    expect(body).toEqual({ log: [], next: null });
    for (const after of ["-1", "x", "1.5", "9e99"])
      await request(app).get(`/api/jobs/netloft/log?after=${after}`).expect(400);
    await request(app).get("/api/jobs/nobody/log").expect(404);
  });

  test("a second device's answer is found however much was written since", async () => {
    const sent = long("busy", 1_200);
    await send(sent).expect(201);
    const step = bundle.log.find((entry) => entry.kind === "step") as LogEntry & { kind: "step" };
    const answer = (id: string, device: string) => ({
      ...step,
      id,
      drawnFrom: { version: 1, log: 3, device, knows: step.id },
    });
    await request(app).post("/api/jobs/busy/log").send(answer("s1", "desk")).expect(201);
    const met = await request(app).post("/api/jobs/busy/log").send(answer("s2", "phone")).expect(409);
    expect(met.body.theirs.id).toBe("s1");
    await request(app).post("/api/jobs/busy/log").send(answer("s3", "desk")).expect(201);
  });
});

describe("a job file", () => {
  test("may have its keys in any order", async () => {
    const { log, ...rest } = long("turned", 3);
    const { format, ...others } = rest;
    await send({ log, ...others, format }).expect(201);
    expect(await readLog(knex, "turned")).toEqual(log);
  });

  test.each<[string, (value: JobBundle) => object, RegExp]>([
    [
      "an entry that is none",
      (value) => ({ ...value, log: value.log.with(-2, { id: "x" } as never) }),
      /log\[\d+\]\.kind/,
    ],
    [
      "an id that stands twice",
      (value) => ({ ...value, log: [...value.log, value.log[0]!] }),
      /log\[\d+\]\.id: expected an id of its own/,
    ],
    [
      "a log that is no list",
      (value) => ({ ...value, log: { 0: value.log[0] } }),
      /log: expected a value of type array/,
    ],
    ["no log", ({ log: _, ...value }) => value, /log: expected a value of type array, found nothing/],
    [
      "a key too many",
      (value) => ({ ...value, more: 1 }),
      /document: expected only the keys of this format, found "more"/,
    ],
  ])("with %s is refused with its place, and nothing is stored", async (_what, spoil, told) => {
    const { body } = await send(spoil(long("spoilt", 700))).expect(422);
    expect(body.detail).toMatch(told);
    await request(app).get("/api/jobs/spoilt").expect(404);
    expect(await readLog(knex, "spoilt")).toEqual([]);
  });

  test("that is no JSON, has a key twice, or nests without end, is refused", async () => {
    const raw = (text: string) => request(app).post("/api/bundles").type("application/json").send(text);
    const text = JSON.stringify(long("raw", 1));
    for (const bad of [
      "",
      "{",
      text.slice(0, -1),
      `${text}x`,
      text.replace("{", '{"log":[],'),
      "[".repeat(5_000),
    ])
      expect([400, 422]).toContain((await raw(bad)).status);
    const deep = `${"[".repeat(200)}${"]".repeat(200)}`;
    expect((await raw(`{"log":[${deep}]}`).expect(400)).body.title).toBe("Not JSON");
    expect((await raw(text.replace("{", '{"__proto__":{"a":1},')).expect(422)).body.detail).toContain(
      "__proto__",
    );
    const zipped = raw(text).set("Content-Encoding", "gzip");
    expect((await zipped.expect(415)).body.detail).toContain("without a content encoding");
    await request(app).get("/api/jobs/raw").expect(404);
  });

  test("what happened before the job took another revision of its board is history", async () => {
    const ref = bundle.job.board;
    const wired: LogEntry = {
      id: "w1",
      at: "2026-11-24T09:00:00.000Z",
      by: "",
      kind: "wired",
      moves: [{ pin: pinNode("stop", "a"), to: terminalNode("ZZ9") }],
    };
    const taken: LogEntry = { id: "t1", at: wired.at, by: "", kind: "board-taken", from: ref, to: ref };
    const old = { ...long("history", 0), log: [wired, taken] };
    await send(old).expect(201);
    const fresh = { ...long("fresh", 0), log: [taken, wired] };
    expect((await send(fresh).expect(422)).body.detail).toMatch(
      /log\[1\]\.moves\[0\]\.to: expected a terminal/,
    );
  });

  test("leaves no file behind, whether it was taken, refused or broken off", async () => {
    const incoming = `${file}.incoming`;
    const server = app.listen(0, "127.0.0.1");
    await new Promise((up) => server.once("listening", up));
    const { port } = server.address() as { port: number };
    const part =
      "POST /api/bundles HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 900\r\n\r\n{";
    const sockets = Array.from({ length: 4 }, () => connect(port, "127.0.0.1").on("error", () => undefined));
    for (const socket of sockets) socket.write(part);
    while (!existsSync(incoming) || readdirSync(incoming).length < 4)
      await new Promise((some) => setTimeout(some, 20));
    // No more than four arrive at once: each may take a gigabyte.
    const fifth = await send({}).expect(503);
    expect(fifth.headers["retry-after"]).toBe("30");
    for (const socket of sockets) socket.destroy();
    while (readdirSync(incoming).length) await new Promise((some) => setTimeout(some, 20));
    await new Promise((closed) => server.close(closed));
    await send({}).expect(422);
    expect(existsSync(incoming) ? readdirSync(incoming) : []).toEqual([]);
    // What a kill left is taken away at the next start, and nobody's file with it.
    mkdirSync(incoming, { recursive: true });
    writeFileSync(join(incoming, `${randomUUID()}.job`), "{");
    writeFileSync(join(incoming, "mine.json"), "{}");
    await clearSpool(incoming);
    expect(readdirSync(incoming)).toEqual(["mine.json"]);
    await clearSpool(join(incoming, "nowhere"));
    const far = request(app)
      .post("/api/bundles")
      .type("application/json")
      .set("Content-Length", "2000000000");
    expect((await far.send("{").expect(413)).body.title).toBe("Body too large");
  });
});

test("what is counted is not read: the lists are computed in indexes", async () => {
  const plan = async (sql: string, ...values: string[]) =>
    ((await knex.raw(`EXPLAIN QUERY PLAN ${sql}`, values)) as { detail: string }[])
      .map(({ detail }) => detail)
      .join("; ");
  expect(await plan("SELECT board_id, COUNT(*) FROM jobs GROUP BY board_id")).toContain(
    "USING COVERING INDEX jobs_by_board",
  );
  expect(
    await plan("SELECT COUNT(DISTINCT step) FROM log WHERE job_id = ? AND kind = 'step'", "x"),
  ).toContain("USING COVERING INDEX log_by_kind");
  expect(await plan("SELECT seq FROM log WHERE job_id = ? LIMIT 1", "x")).toContain("USING COVERING INDEX");
  expect(await plan("SELECT id FROM jobs ORDER BY updated_at DESC, id LIMIT 100")).toContain(
    "jobs_by_change",
  );
});
