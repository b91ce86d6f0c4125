import { readdirSync } from "node:fs";
import { join } from "node:path";
import { deviceFrom } from "@anvilcloud/core";
import { Ajv2020 } from "ajv/dist/2020.js";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { root, serve } from "../testing/serve.ts";

const boards = readdirSync(join(root, "boards")).length;

let app: Express;
let knex: Knex;
beforeAll(async () => ({ app, knex } = await serve({ demo: true })));
afterAll(() => knex.destroy());

describe("the catalogue", () => {
  test("boards, one board, devices", async () => {
    expect((await request(app).get("/api/boards")).body.boards).toHaveLength(boards);
    expect((await request(app).get("/api/boards/quillmarsh-duet")).body.name).toBe("Duet");
    await request(app).get("/api/boards/nobody").expect(404);
    expect((await request(app).get("/api/devices")).body.devices.length).toBeGreaterThanOrEqual(8);
  });

  test("the published JSON Schema accepts what the program serves and refuses what it refuses (checked with Ajv)", async () => {
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    const schema = async (name: string) =>
      ajv.compile((await request(app).get(`/api/schemas/${name}.json`).expect(200)).body as object);
    const board = await schema("board");
    const profile = (await request(app).get("/api/boards/quillmarsh-duet")).body as Record<string, unknown>;
    expect(board(profile)).toBe(true);
    expect(board({ ...profile, format: "board" })).toBe(false);
    expect(board({ ...profile, relays: [] })).toBe(false);
    const bundle = await schema("bundle");
    expect(bundle((await request(app).get("/api/jobs/ropewalk/bundle")).body)).toBe(true);
    await request(app).get("/api/schemas/nothing.json").expect(404);
  });
});

describe("a device of someone's own", () => {
  const sketch = {
    name: "Bollard lamp, quay",
    kind: "courtesy-light" as const,
    supply: {
      duty: "courtesy-light" as const,
      kind: "dc" as const,
      minVolts: 20,
      maxVolts: 28,
      restMilliamps: 0,
      workingMilliamps: 120,
      lives: "any" as const,
    },
  };
  const post = (text: string, type = "application/yaml") =>
    request(app).post("/api/devices").set("Content-Type", type).send(text);

  test("is stored once under its revision, and served with the others", async () => {
    const text = JSON.stringify(deviceFrom(sketch));
    const { body } = await post(text).expect(201);
    expect(body).toMatchObject({ id: "own-bollard-lamp-quay", maker: "own" });
    const { devices } = (await request(app).get("/api/devices")).body as { devices: { id: string }[] };
    expect(devices.map((device) => device.id)).toContain("own-bollard-lamp-quay");
    const again = await post(text).expect(409);
    expect(again.body.detail).toContain("revision: expected 2 or more, found 1");
  });

  test("is refused with the place of each fault, and nothing is stored", async () => {
    const bare = { ...deviceFrom({ ...sketch, name: "Bare" }), pins: [] };
    const { body } = await post(JSON.stringify(bare)).expect(422);
    expect(JSON.stringify(body)).toContain("expected at least two pins");
    await post("not: [a, device").expect(422);
    await post("{}", "application/json").expect(415);
    const { devices } = (await request(app).get("/api/devices")).body as { devices: { id: string }[] };
    expect(devices.map((device) => device.id)).not.toContain("own-bare");
  });
});

describe("the server", () => {
  test("health, security headers, no framework name", async () => {
    const { headers } = await request(app).get("/api/health").expect(200, { status: "ok" });
    expect(headers["content-security-policy"]).toContain("default-src 'self'");
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["x-powered-by"]).toBeUndefined();
    expect(headers["cache-control"]).toBe("no-store");
  });
});
