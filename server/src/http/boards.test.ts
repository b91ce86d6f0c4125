import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { readBoard, withHeading } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { root, serve } from "../testing/serve.ts";

const shipped = readdirSync(join(root, "boards")).length;
const sash = readFileSync(join(root, "boards/copperfold-casspel.yaml"), "utf8");
const tandrel = readFileSync(join(root, "boards/quillmarsh-tandrel.yaml"), "utf8");

let app: Express;
let knex: Knex;
beforeEach(async () => ({ app, knex } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const post = (text: string, type = "application/yaml") =>
  request(app).post("/api/boards").set("Content-Type", type).send(text);

/** Boards of the demo jobs. */
const demoBoards = [
  "copperfold-skarlune",
  "hexby-hoistrum",
  "osierbeck-quernish",
  "quillmarsh-tandrel",
  "sorrel-tinkell",
  "tessock-umbrick",
];

describe("boards over HTTP", () => {
  test("are listed with the number of jobs on each", async () => {
    const { body } = await request(app).get("/api/boards").expect(200);
    expect(body.boards).toHaveLength(shipped);
    expect(body.jobs).toEqual(Object.fromEntries(demoBoards.map((id) => [id, 1])));
  });

  test("give back their text as it was written, comments and order with it", async () => {
    const { text, headers } = await request(app).get("/api/boards/copperfold-casspel/source").expect(200);
    expect(text).toBe(sash);
    expect(headers["content-disposition"]).toContain("copperfold-casspel.yaml");
    await request(app).get("/api/boards/nobody/source").expect(404);
    await request(app).get("/api/boards/copperfold-casspel?revision=9").expect(404);
    await request(app).get("/api/boards/copperfold-casspel?revision=x").expect(400);
  });

  test("take a new profile from its text and keep it to the letter", async () => {
    const mine = `# Found in a loft.\n${withHeading(sash, { id: "loft-sash", name: "Loft sash" })}`;
    const { body } = await post(mine).expect(201);
    expect(body).toEqual(readBoard(mine, "x"));
    expect((await request(app).get("/api/boards/loft-sash/source")).text).toBe(mine);
    expect((await request(app).get("/api/boards/loft-sash/revisions")).body).toEqual({
      revisions: [{ revision: 2, origin: "own" }],
    });
  });

  test("never lose a revision: one that is there is refused, and the refusal says which is free", async () => {
    const { body } = await post(tandrel).expect(409);
    expect(body.detail).toContain("revision: expected 3 or more, found 2");
    await post(withHeading(tandrel, { revision: 3 })).expect(201);
    await post(withHeading(tandrel, { revision: 3 })).expect(409);
    expect((await request(app).get("/api/boards/quillmarsh-tandrel")).body.revision).toBe(3);
    expect((await request(app).get("/api/boards/quillmarsh-tandrel?revision=2")).body.revision).toBe(2);
  });

  test("a job keeps its revision until it takes the new one, and then can be read and exported", async () => {
    await post(withHeading(tandrel, { revision: 3 })).expect(201);
    const uses = await request(app).get("/api/boards/quillmarsh-tandrel/jobs").expect(200);
    expect(
      uses.body.jobs.map((use: { id: string; revision: number }) => [use.id, use.revision]).sort(),
    ).toEqual([["netloft", 2]]);
    const before = await request(app).get("/api/jobs/netloft");
    expect(before.body.board.revision).toBe(2);
    const job = { ...before.body.job, board: { id: "quillmarsh-tandrel", revision: 3 } };
    const put = await request(app).put("/api/jobs/netloft").set("If-Match", before.headers.etag!).send(job);
    expect(put.body.board.revision).toBe(3);
    const { log } = (await request(app).get("/api/jobs/netloft/log")).body;
    expect(log.at(-1)).toMatchObject({
      kind: "board-taken",
      from: { id: "quillmarsh-tandrel", revision: 2 },
      to: { id: "quillmarsh-tandrel", revision: 3 },
    });
    // A save from a stale version leaves neither the change nor a word in the log.
    await request(app).put("/api/jobs/netloft").set("If-Match", before.headers.etag!).send(job).expect(412);
    expect((await request(app).get("/api/jobs/netloft/log")).body.log).toHaveLength(log.length);
    const { body } = await request(app).get("/api/jobs/netloft/bundle").expect(200);
    expect(body.board.revision).toBe(3);
    const other = await serve();
    await request(other.app).post("/api/bundles").send(body).expect(201);
    await other.knex.destroy();
  });

  test("no jump burns the numbers that are left: a revision lies within reach of the newest", async () => {
    const far = await post(withHeading(tandrel, { revision: 9_999 })).expect(409);
    expect(far.body).toMatchObject({ title: "Revision out of reach", newest: 2 });
    expect(far.body.detail).toContain("revision: expected 3 to 102, found 9999");
    await post(withHeading(tandrel, { revision: 103 })).expect(409);
    await post(withHeading(tandrel, { revision: 102 })).expect(201);
    await post(withHeading(tandrel, { revision: 103 })).expect(201);
  });

  test("a revision written here goes when no job was made with it, and stays while one was", async () => {
    const remove = (revision: number) =>
      request(app).delete(`/api/boards/quillmarsh-tandrel?revision=${revision}`);
    await post(withHeading(tandrel, { revision: 3 })).expect(201);
    const before = await request(app).get("/api/jobs/netloft");
    const job = { ...before.body.job, board: { id: "quillmarsh-tandrel", revision: 3 } };
    await request(app).put("/api/jobs/netloft").set("If-Match", before.headers.etag!).send(job).expect(200);
    expect((await remove(3).expect(409)).body.detail).toContain("jobs were made with it");
    expect((await remove(2).expect(409)).body.title).toBe("Shipped");
    await request(app).put("/api/jobs/netloft").set("If-Match", '"2"').send(before.body.job).expect(200);
    await remove(3).expect(204);
    expect((await request(app).get("/api/boards/quillmarsh-tandrel")).body.revision).toBe(2);
  });

  test("a job may go to a revision, back, away under another id, and there again", async () => {
    await post(withHeading(tandrel, { revision: 3 })).expect(201);
    const take = async (id: string, revision: number) => {
      const { body, headers } = await request(app).get(`/api/jobs/${id}`);
      const job = { ...body.job, board: { id: "quillmarsh-tandrel", revision } };
      await request(app).put(`/api/jobs/${id}`).set("If-Match", headers.etag!).send(job).expect(200);
    };
    await take("netloft", 3);
    await take("netloft", 2);
    const { body } = await request(app).get("/api/jobs/netloft/bundle");
    const copy = { ...body, job: { ...body.job, id: "copied" } };
    await request(app).post("/api/bundles").send(copy).expect(201);
    await take("copied", 3);
    const { log } = (await request(app).get("/api/jobs/copied/log")).body as { log: { kind: string }[] };
    expect(log.filter(({ kind }) => kind === "board-taken")).toHaveLength(3);
  });

  test.each([
    ["text that is no YAML", "a: [", 422, /well-formed YAML/],
    ["nothing", " ", 422, /expected/],
    [
      "a profile that contradicts itself",
      sash.replace("terminal: C2", "terminal: C9"),
      422,
      /profile:\d+:\d+: inputs\[0\]\.terminal/,
    ],
    [
      "aliases that multiply",
      "a: &a [1]\nb: &b [*a,*a,*a,*a,*a,*a,*a,*a,*a,*a]\nc: [*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b]",
      422,
      /aliases|expected/,
    ],
    ["nesting without end", `a: ${"[".repeat(60_000)}`, 422, /levels/],
    ["a prototype key", `${sash}\n__proto__: { a: 1 }\n`, 422, /only the keys of this format/],
    ["10 MB", "#".repeat(10_000_000), 413, /at most/],
  ])("%s is refused, and nothing is stored", async (_name, text, status, message) => {
    const before = (await request(app).get("/api/boards")).body.boards.length;
    const { body } = await post(text).expect(status);
    expect(body.detail).toMatch(message);
    expect((await request(app).get("/api/boards")).body.boards).toHaveLength(before);
  });

  test("a body that is no text is refused", async () => {
    await post('{"id":"x"}', "application/json").expect(415);
    await post(sash, "text/plain").expect(415);
    await request(app).post("/api/boards").expect(415);
    await request(app)
      .post("/api/boards")
      .set("Content-Type", "application/yaml; charset=klingon")
      .send("a")
      .expect(415);
  });
});
