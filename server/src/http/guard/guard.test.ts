import type { Job } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { serve } from "../../testing/serve.ts";
import { hostName } from "./host.ts";

let app: Express;
let knex: Knex;
beforeEach(async () => ({ app, knex } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const title = async () => ((await request(app).get("/api/jobs/netloft")).body.job as Job).title;

/** Every way to change something, each as it would be stored. */
async function changes(): Promise<request.Test[]> {
  const { body } = await request(app).get("/api/jobs/netloft");
  const profile = await request(app).get("/api/boards/quillmarsh-tandrel/source").buffer(true);
  const note = { id: "n1", at: "2026-11-24T09:00:00.000Z", by: "", kind: "note", text: "from elsewhere" };
  return [
    request(app).post("/api/jobs").send({ title: "Foreign", customer: "F", board: "quillmarsh-tandrel" }),
    request(app)
      .put("/api/jobs/netloft")
      .set("If-Match", '"1"')
      .send({ ...body.job, title: "Foreign" }),
    request(app).post("/api/jobs/netloft/log").send(note),
    request(app).delete("/api/jobs/netloft").set("If-Match", '"1"'),
    request(app)
      .post("/api/boards")
      .type("application/yaml")
      .send(profile.text.replace("revision: 2", "revision: 3")),
    request(app).delete("/api/boards/quillmarsh-tandrel?revision=1"),
    request(app).post("/api/bundles").send({}),
    request(app).post("/api/plan").send({}),
    request(app).delete("/api/session"),
  ];
}

async function state(): Promise<unknown> {
  const tables = ["jobs", "log", "profiles", "sessions"];
  return Promise.all(tables.map((table) => knex(table).select("*")));
}

describe("a request that names another server", () => {
  test.each([
    "evil.example",
    "evil.example:4170",
    "localhost.evil.example",
    "127.0.0.1.evil.example",
    "10.0.0.7",
    "",
    "a b",
    "localhost@evil.example",
    "[::2]",
  ])("Host %p reads nothing and changes nothing", async (host) => {
    const before = await state();
    for (const address of ["/api/jobs", "/api/health", "/", "/jobs/netloft", "/api/jobs/netloft/bundle"]) {
      const answer = await request(app).get(address).set("Host", host);
      // Node itself refuses an empty one.
      expect([421, 400]).toContain(answer.status);
      expect(answer.text).not.toContain("Netloft");
    }
    for (const change of await changes())
      expect([421, 400]).toContain((await change.set("Host", host)).status);
    expect(await state()).toEqual(before);
  });

  test.each(["localhost", "LOCALHOST:8080", "localhost.", "127.0.0.1:1", "[::1]:4170"])(
    "Host %p is this one",
    async (host) => {
      await request(app).get("/api/jobs").set("Host", host).expect(200);
    },
  );

  test("beyond this machine the address it arrived at is this one, and the names of the certificate, stars and all", async () => {
    const beyond = () => ({ addresses: [], trust: null });
    const other = await serve({}, { beyond, hosts: ["bench.firm", "*.yard.firm"] });
    const asked = async (host: string) =>
      (await request(other.app).get("/api/health").set("Host", host)).status;
    for (const host of ["127.0.0.1", "bench.firm:4170", "north.yard.firm"])
      expect([host, await asked(host)]).toEqual([host, 200]);
    for (const host of ["10.0.0.7", "localhost", "yard.firm", "a.b.yard.firm", "*.yard.firm.evil.example"])
      expect([host, await asked(host)]).toEqual([host, 421]);
    await other.knex.destroy();
  });

  test("names are compared as a browser writes them", () => {
    expect(hostName("LocalHost:80")).toBe("localhost");
    expect(hostName("[0:0:0:0:0:0:0:1]:80")).toBe("[::1]");
    expect(hostName("127.1")).toBe("127.0.0.1");
    expect(hostName("a/b")).toBeUndefined();
    expect(hostName(undefined)).toBeUndefined();
  });
});

describe("a page of another origin", () => {
  const own = "http://127.0.0.1";
  test.each<[string, Record<string, string>]>([
    ["says where it comes from", { Origin: "http://evil.example" }],
    ["has a port of its own on this machine", { Origin: `${own}:1` }],
    ["speaks another protocol", { Origin: "https://127.0.0.1" }],
    ["hides where it comes from", { Origin: "null" }],
    ["is of another site", { "Sec-Fetch-Site": "cross-site" }],
    ["is of the same site and another origin", { "Sec-Fetch-Site": "same-site" }],
    ["claims an own origin against what the browser says", { Origin: own, "Sec-Fetch-Site": "cross-site" }],
  ])("that %s changes nothing", async (_what, headers) => {
    const before = await state();
    for (const change of await changes()) expect((await change.set(headers)).status).toBe(403);
    expect(await state()).toEqual(before);
    expect(await title()).toMatch(/^Netloft/);
  });

  test("nor is anything asked for by hand a change; reading is", async () => {
    const byHand = { "Sec-Fetch-Site": "none" };
    await request(app).get("/api/jobs").set(byHand).expect(200);
    for (const change of await changes()) expect((await change.set(byHand)).status).toBe(403);
    await request(app).get("/api/jobs").set("Sec-Fetch-Site", "cross-site").expect(403);
  });

  test("a page of this server changes what it may", async () => {
    const server = app.listen(0, "127.0.0.1");
    await new Promise((listening) => server.once("listening", listening));
    const { port } = server.address() as { port: number };
    const answer = await fetch(`${own}:${port}/api/jobs`, {
      method: "POST",
      headers: {
        "Content-Type": "application/json",
        Origin: `${own}:${port}`,
        "Sec-Fetch-Site": "same-origin",
      },
      body: JSON.stringify({ title: "Own", customer: "O", board: "quillmarsh-tandrel" }),
    });
    expect(answer.status).toBe(201);
    await new Promise((closed) => server.close(closed));
  });

  test("what any page may send without asking is not read: no type, plain text, a form", async () => {
    const body = JSON.stringify({ title: "Foreign", customer: "F", board: "quillmarsh-tandrel" });
    const before = await state();
    for (const type of [
      "text/plain",
      "text/plain; application/json",
      "application/x-www-form-urlencoded",
      "multipart/form-data",
    ])
      for (const address of [
        "/api/jobs",
        "/api/boards",
        "/api/devices",
        "/api/bundles",
        "/api/plan",
        "/api/session",
      ])
        expect((await request(app).post(address).set("Content-Type", type).send(body)).status).toBe(415);
    expect(await state()).toEqual(before);
  });
});
