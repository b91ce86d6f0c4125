import { readdirSync } from "node:fs";
import { join } from "node:path";
import { deviceFrom, type Preset } from "@anvilcloud/core";
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
    expect((await request(app).get("/api/boards/quillmarsh-tandrel")).body.name).toBe("Tandrel");
    await request(app).get("/api/boards/nobody").expect(404);
    expect((await request(app).get("/api/devices")).body.devices.length).toBeGreaterThanOrEqual(8);
  });

  test("the published JSON Schema accepts what the program serves and refuses what it refuses (checked with Ajv)", async () => {
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    const schema = async (name: string) =>
      ajv.compile((await request(app).get(`/api/schemas/${name}.json`).expect(200)).body as object);
    const board = await schema("board");
    const profile = (await request(app).get("/api/boards/quillmarsh-tandrel")).body as Record<
      string,
      unknown
    >;
    expect(board(profile)).toBe(true);
    expect(board({ ...profile, format: "board" })).toBe(false);
    expect(board({ ...profile, relays: [] })).toBe(false);
    const bundle = await schema("bundle");
    expect(bundle((await request(app).get("/api/jobs/ropewalk/bundle")).body)).toBe(true);
    await request(app).get("/api/schemas/nothing.json").expect(404);
  });
});

const lampOnQuay = {
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

describe("a device of someone's own", () => {
  const sketch = lampOnQuay;
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
    for (const type of ["application/json", "text/plain", "application/x-www-form-urlencoded"])
      await post(JSON.stringify(deviceFrom({ ...sketch, name: "Bare" })), type).expect(415);
    const { devices } = (await request(app).get("/api/devices")).body as { devices: { id: string }[] };
    expect(devices.map((device) => device.id)).not.toContain("own-bare");
  });
});

describe("a profile that nobody uses any more", () => {
  const remove = (address: string) => request(app).delete(address);

  test("is removed, revision by revision; one that was shipped or that a job was made with stays", async () => {
    const device = (revision: number) => ({ ...deviceFrom(lampOnQuay), id: "own-gone", revision });
    const post = (value: object) =>
      request(app).post("/api/devices").type("application/yaml").send(JSON.stringify(value));
    await post(device(1)).expect(201);
    await post(device(2)).expect(201);
    const own = async () =>
      ((await request(app).get("/api/devices")).body.own as { id: string; revision: number }[])
        .filter(({ id }) => id === "own-gone")
        .map(({ revision }) => revision);
    expect(await own()).toEqual([1, 2]);
    await remove("/api/devices/own-gone?revision=2").expect(204);
    expect(await own()).toEqual([1]);
    expect((await remove("/api/devices/own-gone?revision=2").expect(404)).body.detail).toContain(
      "revision 2",
    );
    // Its number is free again.
    await post(device(2)).expect(201);

    const { body, headers } = await request(app).get("/api/jobs/netloft");
    const instance = { id: "lamp", name: "Lamp", device: { id: "own-gone", revision: 1 } };
    const cables = Object.fromEntries(device(1).parts.map(({ id }) => [id, { lengthM: 4, sizeMm2: 0.5 }]));
    await request(app)
      .put("/api/jobs/netloft")
      .set("If-Match", headers.etag!)
      .send({ ...body.job, devices: [...body.job.devices, { ...instance, cables }] })
      .expect(200);
    expect((await remove("/api/devices/own-gone?revision=1").expect(409)).body.title).toBe("In use");
    const shipped = (await request(app).get("/api/devices")).body.devices as { id: string; maker: string }[];
    const { id } = shipped.find(({ maker }) => maker !== "own")!;
    expect((await remove(`/api/devices/${id}?revision=1`).expect(409)).body.title).toBe("Shipped");
    await remove("/api/devices/own-gone").expect(400);
    await remove("/api/devices/own-gone?revision=1&revision=2").expect(400);
  });
});

describe("the server", () => {
  test("health, security headers, no framework name", async () => {
    const { headers } = await request(app).get("/api/health").expect(200, { status: "ok", database: "ok" });
    expect(headers["content-security-policy"]).toContain("default-src 'self'");
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["permissions-policy"]).toContain("camera=(), ");
    expect(headers["cross-origin-resource-policy"]).toBe("same-origin");
    expect(headers["x-powered-by"]).toBeUndefined();
    expect(headers["cache-control"]).toBe("no-store");
  });
});

describe("presets", () => {
  const all = async () =>
    (await request(app).get("/api/presets")).body as { presets: Preset[]; own: { id: string }[] };

  test("of one's own are stored, listed and removed; what a behaviour cannot be is refused with its place", async () => {
    const { presets } = await all();
    expect(presets.map(({ name }) => name)).toContain("Private house");
    const mine = { ...presets[0]!, id: "our-lane", name: "Our lane", revision: 1 };
    const post = (preset: object) => request(app).post("/api/presets").send(preset);
    await post(mine).expect(201);
    await post(mine).expect(409);
    expect((await all()).own).toEqual([{ id: "our-lane", revision: 1, name: "Our lane" }]);
    const { body } = await post({
      ...mine,
      revision: 2,
      wishes: { force: { value: 130, why: "more" } },
    }).expect(422);
    expect(body.problems[0]).toMatchObject({ path: "wishes.force.value", expected: "at most 100 %" });
    await request(app).delete("/api/presets/our-lane?revision=1").expect(204);
    await request(app).delete("/api/presets/private-house?revision=1").expect(409);
    expect((await all()).own).toEqual([]);
  });
});
