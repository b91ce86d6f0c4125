import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ProblemsError, type JobBundle } from "@anvilcloud/core";
import type { Knex } from "knex";
import request from "supertest";
import { createApp } from "../http/app.ts";
import { insertJob } from "../store/jobs.ts";
import { built } from "../testing/built.ts";
import { filledDatabase, partsOn, root, serve } from "../testing/serve.ts";
import { NotJson } from "./json.ts";
import { Overloaded } from "./overloaded.ts";
import { createWork, usualLanes, type Work } from "./pool.ts";

let knex: Knex;
let bundle: JobBundle;
let text: string;
beforeAll(async () => {
  const demo = await serve({ demo: true });
  knex = demo.knex;
  bundle = (await request(demo.app).get("/api/jobs/netloft/bundle")).body as JobBundle;
  text = JSON.stringify(bundle);
});
afterAll(() => knex.destroy());

let work: Work;
afterEach(() => work.close());

// Threads start from the worker as it is built.
const worker = { filename: "", execArgv: [] };
beforeAll(async () => {
  worker.filename = await built("worker");
});

/** A YAML document that takes its reader long: each mapping merges all of the one before. */
const slow = [
  `a0: &a0 {${Array.from({ length: 3_000 }, (_, at) => `k${at}: 1`).join(", ")}}`,
  ...Array.from({ length: 90 }, (_, at) => `b${at}: [*a0]`),
].join("\n");

describe("worker threads", () => {
  test("do what is asked as this thread would, and refuse in the same words", async () => {
    work = createWork(usualLanes, worker);
    const plan = JSON.parse(await work.run("plan", text)) as { wiring: { cores: unknown[] } };
    expect(plan.wiring.cores).toHaveLength(29);
    const tandrel = readFileSync(join(root, "boards/quillmarsh-tandrel.yaml"), "utf8");
    expect((await work.run("board", tandrel)).id).toBe("quillmarsh-tandrel");
    await expect(work.run("plan", "{oops")).rejects.toBeInstanceOf(NotJson);
    const refused = work.run("board", tandrel.replace("leaves: 2", "leaves: 7"));
    await expect(refused).rejects.toBeInstanceOf(ProblemsError);
    await expect(refused).rejects.toThrow(/profile:\d+:\d+: leaves: expected at most 2, found 7/);
    await expect(
      work.run("importJob", { file: "/nowhere", database: "/nowhere", now: "", as: "new", copyId: "copy" }),
    ).rejects.toMatchObject({
      code: "ENOENT",
    });
  });

  test("leave the one that answers free while they plan, and take no more than may wait", async () => {
    const { file, knex: own } = await filledDatabase({ demo: true });
    work = createWork({ ...usualLanes, plan: { ...usualLanes.plan, threads: 1, waiting: 2 } }, worker);
    const app = createApp({ ...partsOn({ knex: own, file }), work });
    let planned = 0;
    const plans = Array.from({ length: 8 }, () =>
      request(app)
        .post("/api/plan")
        .send(bundle)
        .then((answer) => {
          planned += 1;
          return answer;
        }),
    );
    // The first thread is not even up: health is answered before any plan is.
    await request(app).get("/api/health").expect(200);
    expect(planned).toBeLessThan(8);
    const answers = await Promise.all(plans);
    const good = answers.filter(({ status }) => status === 200);
    const refused = answers.filter(({ status }) => status === 503);
    expect(good.length).toBeGreaterThanOrEqual(3);
    expect(good.length + refused.length).toBe(8);
    expect(refused.length).toBeGreaterThanOrEqual(1);
    for (const { headers } of refused) expect(headers["retry-after"]).toBe("20");
    await own.destroy();
  });

  test("are given up when they take too long, and the next task finds a thread again", async () => {
    work = createWork({ ...usualLanes, read: { ...usualLanes.read, mostMs: 1 } }, worker);
    const late = work.run("board", slow);
    await expect(late).rejects.toBeInstanceOf(Overloaded);
    await expect(late).rejects.toThrow(/more than 0.001 s and was given up/);
    expect(JSON.parse(await work.run("plan", text))).toHaveProperty("sheet");
  });

  test("stop with whoever asked, and with the server", async () => {
    work = createWork(usualLanes, worker);
    const gone = new AbortController();
    const left = work.run("plan", text, gone.signal);
    gone.abort();
    await expect(left).rejects.toMatchObject({ name: "AbortError" });
    const open = work.run("plan", text);
    const waiting = work.run("plan", text);
    const ends = Promise.all([
      expect(open).rejects.toThrow(/The server is stopping/),
      expect(waiting).rejects.toThrow(/The server is stopping/),
    ]);
    await work.close();
    await ends;
    await expect(work.run("plan", text)).rejects.toThrow(/The server is stopping/);
  });

  test("given up in the middle of an import leave nothing of it, and the database free", async () => {
    const { file, knex: own } = await filledDatabase();
    const log = Array.from({ length: 30_000 }, (_, at) => ({
      id: `n${at}`,
      at: "2026-11-24T09:00:00.000Z",
      by: "",
      kind: "note",
      text: "dry",
    }));
    const arrived = `${file}.job`;
    writeFileSync(arrived, JSON.stringify({ ...bundle, log }));
    work = createWork(usualLanes, worker);
    for (const after of [50, 400, 900, 1_400]) {
      const gone = new AbortController();
      const imported = work.run(
        "importJob",
        { file: arrived, database: file, now: "2026-11-24T10:00:00.000Z", as: "new", copyId: "copy" },
        gone.signal,
      );
      const over = imported.then(
        () => "imported",
        (error: Error) => error.name,
      );
      await new Promise((some) => setTimeout(some, after));
      gone.abort();
      if ((await over) === "imported") break;
      expect(await own("jobs").select("id")).toEqual([]);
      expect(await own("log").count({ n: "*" }).first()).toEqual({ n: 0 });
      await insertJob(
        own,
        { ...bundle, job: { ...bundle.job, id: `free-${after}` }, log: [] },
        "2026-11-24T10:00:00.000Z",
      );
      await own("jobs").delete();
    }
    await own.destroy();
  });

  test("that fall before they begin keep nobody waiting, nor end the server", async () => {
    work = createWork({ ...usualLanes, plan: { ...usualLanes.plan, memoryMb: 6 } }, worker);
    await expect(work.run("plan", text)).rejects.toThrow(/found no thread to work in/);
    expect(
      (await work.run("board", readFileSync(join(root, "boards/quillmarsh-tandrel.yaml"), "utf8"))).id,
    ).toBe("quillmarsh-tandrel");
  });

  test("that need too much memory end alone", async () => {
    work = createWork({ ...usualLanes, plan: { ...usualLanes.plan, memoryMb: 70 } }, worker);
    const many = {
      ...bundle,
      log: Array.from({ length: 200_000 }, (_, at) => ({
        id: `n${at}`,
        at: "2026-11-24T09:00:00.000Z",
        by: "",
        kind: "note",
        text: "x".repeat(6),
      })),
    };
    const planned = work.run("plan", JSON.stringify(many)).then((plan) => plan.length);
    await expect(planned).rejects.toThrow(/more than 70 MB of memory/);
  });
});
