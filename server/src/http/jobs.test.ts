import type { Job, JobSummary, LogEntry } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { serve } from "../testing/serve.ts";

let app: Express;
let knex: Knex;
beforeEach(async () => ({ app, knex } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const read = async (id = "netloft") =>
  (await request(app).get(`/api/jobs/${id}`).expect(200)).body as { version: number; job: Job };
const put = (job: unknown, version: number | string) =>
  request(app)
    .put("/api/jobs/netloft")
    .set("If-Match", `"${version}"`)
    .send(job as object);

const note = (id: string, text = "hinge dry") => ({
  id,
  at: "2026-11-24T09:00:00.000Z",
  by: "Ivet",
  kind: "note",
  text,
});

describe("jobs", () => {
  test("the demo shows six manners of board, each job in a state of its own", async () => {
    const { body } = await request(app).get("/api/jobs").expect(200);
    const jobs = body.jobs as JobSummary[];
    const of = (id: string) => jobs.find((job) => job.id === id)!;
    expect(new Set(jobs.map(({ board }) => board)).size).toBe(6);
    expect(of("netloft")).toMatchObject({ answered: 0, handedOverAt: null, reopened: null });
    const stations = async (id: string) => {
      const { log } = (await request(app).get(`/api/jobs/${id}/log`).expect(200)).body as { log: LogEntry[] };
      return new Set(log.flatMap((entry) => (entry.kind === "step" ? [entry.station] : [])));
    };
    expect([...(await stations("ropewalk"))].at(-1)).toBe("wire");
    expect([...(await stations("icehouse"))].at(-1)).toBe("travel");
    expect(of("chandlery")).toMatchObject({
      handedOverAt: null,
      reopened: expect.stringContaining("half open"),
    });
    expect(of("sailloft")).toMatchObject({ nextService: "2027-10-06", reopened: null });
    expect(of("eelfence").nextService).toBe("2026-09-16");
  });

  test("a new job is a draft on its board, with an ETag and a place", async () => {
    const made = await request(app)
      .post("/api/jobs")
      .send({ title: "Kelp store, pair", customer: "Someone", board: "quillmarsh-tandrel" })
      .expect(201);
    expect(made.headers.etag).toBe('"1"');
    const found = await request(app)
      .get(made.headers.location as string)
      .expect(200);
    expect(found.body.job).toMatchObject({
      title: "Kelp store, pair",
      board: { id: "quillmarsh-tandrel", revision: 2 },
    });
  });

  test("a change is stored under the next version", async () => {
    const { job, version } = await read();
    job.title = "Netloft yard, north";
    expect((await put(job, version).expect(200)).headers.etag).toBe('"2"');
    expect(await read()).toMatchObject({ version: 2, job: { title: "Netloft yard, north" } });
  });

  test("a stale change is refused with both versions at hand, and nothing is saved", async () => {
    const { job, version } = await read();
    await put({ ...job, title: "first" }, version).expect(200);
    const refused = await put({ ...job, title: "second" }, version).expect(412);
    expect(refused.headers["content-type"]).toContain("application/problem+json");
    expect(refused.body).toMatchObject({
      status: 412,
      current: { version: 2, job: { title: "first" } },
      yours: { title: "second" },
    });
    expect((await read()).job.title).toBe("first");
  });

  test("of ten changes at once from one version exactly one is stored", async () => {
    const { job, version } = await read();
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, n) => put({ ...job, title: `t${n}` }, version)),
    );
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, ...Array<number>(9).fill(412)]);
    expect((await read()).version).toBe(version + 1);
  });

  test("a job that was handed over is closed to change until someone opens it again and says why", async () => {
    const { job, version } = await read("sailloft");
    const change = (from = version) =>
      request(app)
        .put("/api/jobs/sailloft")
        .set("If-Match", `"${from}"`)
        .send({ ...job, title: "Sail loft, again" });
    const post = (entry: object) => request(app).post("/api/jobs/sailloft/log").send(entry);
    const said = { ...note("s1"), kind: "step", text: undefined, step: "prove:release", station: "prove" };
    const step = { ...said, title: "Manual release", outcome: "withdrawn", effects: [] };
    expect((await change().expect(409)).body.detail).toMatch(/was handed over and takes notes only/);
    expect((await post(step).expect(409)).body.title).toBe("Handed over");
    await post({ ...note("o1"), kind: "handed-over", text: undefined, to: "Someone else" }).expect(409);
    await post(note("n1")).expect(201);
    expect(await read("sailloft")).toMatchObject({ version, job });
    const reopen = { ...note("r1"), kind: "reopened", text: undefined };
    await post({ ...reopen, reason: " " }).expect(422);
    await post({ ...reopen, reason: "the speed was raised" }).expect(201);
    await change().expect(200);
    await post(step).expect(201);
    const { body } = await request(app).get("/api/jobs").expect(200);
    const jobs = body.jobs as { id: string; handedOverAt: string | null }[];
    expect(jobs.find(({ id }) => id === "sailloft")?.handedOverAt).toBeNull();
    await post({ ...note("o2"), kind: "handed-over", text: undefined, to: "Someone else" }).expect(201);
    await change(version + 1).expect(409);
  });

  test("only a job on which nothing happened can be removed", async () => {
    await request(app).delete("/api/jobs/sailloft").set("If-Match", '"1"').expect(409);
    await request(app).delete("/api/jobs/netloft").set("If-Match", '"7"').expect(412);
    await request(app).delete("/api/jobs/netloft").set("If-Match", '"1"').expect(204);
    await request(app).get("/api/jobs/netloft").expect(404);
  });
});

describe("bad input gets a precise answer and changes nothing", () => {
  type Case = [string, (job: Job) => unknown, number, RegExp];
  const cases: Case[] = [
    [
      "a wrong type",
      (job) => ({ ...job, title: 7 }),
      422,
      /request: title: expected a value of type string, found 7/,
    ],
    [
      "a missing part",
      (job) => ({ ...job, survey: undefined }),
      422,
      /survey: expected a value of type object, found nothing/,
    ],
    [
      "an unknown key",
      (job) => ({ ...job, colour: "red" }),
      422,
      /found "colour"\. Remove or rename "colour"/,
    ],
    [
      "an unknown device",
      (job) => ({ ...job, devices: [{ ...job.devices[0]!, device: { id: "nobody", revision: 1 } }] }),
      422,
      /devices\[0\]\.device: expected a device of the catalogue/,
    ],
    [
      "an unknown board",
      (job) => ({ ...job, board: { id: "nobody", revision: 1 } }),
      422,
      /job\.board: expected the bundle's board/,
    ],
    ["another job's id", (job) => ({ ...job, id: "ropewalk" }), 422, /A job keeps its id/],
    ["a list", () => [], 422, /document: expected a value of type object/],
    [
      "prototype keys",
      (job) => JSON.parse(JSON.stringify(job).replace('"links":{}', '"links":{"__proto__":"in"}')) as unknown,
      400,
      /__proto__/,
    ],
  ];
  test.each(cases)("%s", async (_name, change, status, message) => {
    const { job } = await read();
    const answer = await put(change(job), 1).expect(status);
    expect(answer.body.detail).toMatch(message);
    expect(await read()).toEqual({ ...(await read()), version: 1, job });
  });

  test("no If-Match, a strange one, no JSON, another type, a huge body, deep nesting, an unknown address", async () => {
    const { job } = await read();
    await request(app).put("/api/jobs/netloft").send(job).expect(428);
    await put(job, "x").expect(400);
    const post = () => request(app).post("/api/jobs").set("Content-Type", "application/json");
    expect((await post().send("{oops").expect(400)).body.title).toBe("Not JSON");
    await post().send('"text"').expect(422);
    const text = await request(app).post("/api/jobs").type("text").send("title").expect(415);
    expect(text.body.detail).toContain('expected application/json with a body, found "text/plain"');
    const huge = await post()
      .send(JSON.stringify({ title: "x".repeat(600_000) }))
      .expect(413);
    expect(huge.body.detail).toContain("262144 bytes");
    await post()
      .send(`{"title":${"[".repeat(50_000)}${"]".repeat(50_000)}}`)
      .expect(422);
    await request(app).get("/api/jobs/nobody").expect(404);
    await request(app).get("/api/nowhere").expect(404);
    await request(app).get("/api/jobs?page=-1").expect(400);
    await request(app).get("/api/jobs/%E0%A4%A").expect(400);
    expect((await request(app).get("/api/jobs")).body.total).toBe(6);
  });
});

// The driver makes its errors once a process, outside this file's realm: they are told by message, not by class.
describe("the log", () => {
  /** An answer to one step, from a device whose card was drawn when the log had so many entries. */
  const answer = (
    id: string,
    outcome: string,
    drawnFrom?: { log: number; device: string; knows?: string },
  ) => ({
    ...note(id),
    kind: "step",
    text: undefined,
    step: "prove:release",
    station: "prove",
    title: "Manual release",
    outcome,
    effects: [],
    ...(drawnFrom ? { drawnFrom: { version: 1, ...drawnFrom } } : {}),
  });

  test("someone else's answer to the same step since the card was drawn is shown beside mine, and nothing is stored", async () => {
    const post = (entry: object) => request(app).post("/api/jobs/netloft/log").send(entry);
    await post(answer("a1", "seen", { log: 0, device: "phone" })).expect(201);
    const met = await post(answer("b1", "not-seen", { log: 0, device: "desk" })).expect(409);
    expect(met.body).toMatchObject({ theirs: { id: "a1", outcome: "seen" }, yours: { id: "b1" } });
    expect((await request(app).get("/api/jobs/netloft/log")).body.log).toHaveLength(1);
    // Having seen theirs, mine stands after it; the same device never contradicts itself.
    await post(answer("b2", "not-seen", { log: 0, device: "desk", knows: "a1" })).expect(201);
    await post(answer("b3", "withdrawn", { log: 0, device: "desk", knows: "a1" })).expect(201);
    // A card drawn after all of it, and an answer to another step, meet nothing.
    await post(answer("a2", "seen", { log: 3, device: "phone" })).expect(201);
    const other = { ...answer("c1", "seen", { log: 0, device: "third" }), step: "prove:else" };
    await post(other).expect(201);
  });

  test("an entry sent twice is stored once; its id cannot be used for another", async () => {
    await request(app).post("/api/jobs/netloft/log").send(note("n1")).expect(201);
    await request(app).post("/api/jobs/netloft/log").send(note("n1")).expect(200);
    await request(app).post("/api/jobs/netloft/log").send(note("n1", "other")).expect(409);
    expect((await request(app).get("/api/jobs/netloft/log")).body.log).toEqual([note("n1")]);
  });

  test("entries that do not fit are refused", async () => {
    const post = (entry: object) => request(app).post("/api/jobs/netloft/log").send(entry);
    await post({ ...note("n1"), at: "yesterday" }).expect(422);
    await post({ ...note("n1"), kind: "rumour" }).expect(422);
    const turn = {
      ...note("n1"),
      kind: "step",
      text: undefined,
      step: "s",
      station: "set",
      title: "t",
      outcome: "seen",
      effects: [{ kind: "dials", to: { V1: "6:00" } }],
    };
    expect((await post(turn).expect(422)).body.detail).toMatch(
      /effects\[0\]\.dials\.V1: expected a time from 7:00 to 5:00/,
    );
    await request(app).post("/api/jobs/nobody/log").send(note("n1")).expect(404);
    expect((await request(app).get("/api/jobs/netloft/log")).body.log).toEqual([]);
  });

  test("is append-only in the database itself", async () => {
    await expect(knex("log").update({ body: "{}" })).rejects.toMatchObject({
      message: expect.stringContaining("append-only"),
    });
    await expect(knex("log").delete()).rejects.toMatchObject({
      message: expect.stringContaining("append-only"),
    });
  });
});
