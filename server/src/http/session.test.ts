import { readFileSync } from "node:fs";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { hashPassphrase } from "../access/passphrase.ts";
import { createLogger } from "../logger.ts";
import { setPassphraseHash } from "../store/access.ts";
import { serve } from "../testing/serve.ts";
import { routes, type Route } from "@anvilcloud/core";

const passphrase = "four dry hinge pins";
let app: Express;
let knex: Knex;
let file: string;
let now = "2026-11-24T10:00:00.000Z";
let hash: string;
beforeAll(async () => (hash = await hashPassphrase(passphrase)));
beforeEach(async () => {
  now = "2026-11-24T10:00:00.000Z";
  const beyond = () => ({ addresses: ["https://10.0.0.7:4170"], trust: null });
  ({ app, knex, file } = await serve({ demo: true }, { beyond, now: () => now }));
  await setPassphraseHash(knex, hash);
});
afterEach(() => knex.destroy());

const signIn = (given = passphrase) => request(app).post("/api/session").send({ passphrase: given });
const cookieOf = (answer: request.Response) => (answer.headers["set-cookie"] as unknown as string[])[0]!;
const tokenOf = (answer: request.Response) => cookieOf(answer).split(";")[0]!;
const jobs = (cookie?: string) =>
  cookie ? request(app).get("/api/jobs").set("Cookie", cookie) : request(app).get("/api/jobs");

describe("beyond this machine", () => {
  test("a stranger reads and changes nothing: every address but health and the session refuses", async () => {
    const open = ["/api/health", "/api/session"];
    const all: readonly Route[] = routes;
    for (const { method, path } of all.filter((route) => !open.includes(route.path))) {
      const address = path.replace("{id}", "netloft").replace("{name}", "board");
      const answer = await request(app)[method](address);
      expect([address, answer.status]).toEqual([address, 401]);
      expect(answer.text).not.toContain("Netloft");
    }
    expect((await request(app).get("/api/session")).body).toEqual({ signIn: "needed" });
  });

  test("who gives the passphrase is let in by a cookie no script reads and no other site sends", async () => {
    const answer = await signIn().expect(204);
    const cookie = cookieOf(answer);
    expect(cookie).toMatch(/^__Host-anvilcloud=[\w-]{43};/);
    for (const attribute of ["HttpOnly", "Secure", "SameSite=Strict", "Path=/", "Max-Age=2592000"])
      expect(cookie).toContain(attribute);
    expect((await jobs(tokenOf(answer)).expect(200)).body.total).toBe(6);
    const { body } = await request(app).get("/api/session").set("Cookie", tokenOf(answer));
    expect(body).toEqual({ signIn: "done" });
    const { body: where } = await request(app).get("/api/whereabouts").set("Cookie", tokenOf(answer));
    expect(where).toMatchObject({ addresses: ["https://10.0.0.7:4170"], trust: null });
    expect(where.code).toContain("<svg");
  });

  test("the same letters typed another way are the same passphrase; anything else is none", async () => {
    await setPassphraseHash(knex, await hashPassphrase("caf\u00e9 by the quay"));
    await signIn("cafe\u0301 by the quay").expect(204);
    for (const wrong of ["cafe by the quay", " caf\u00e9 by the quay", "x"]) await signIn(wrong).expect(403);
    await request(app).post("/api/session").send({}).expect(422);
  });

  test("signed out, or after a month, or with another passphrase set, the cookie opens nothing", async () => {
    const first = tokenOf(await signIn());
    await request(app).delete("/api/session").set("Cookie", first).expect(204);
    await jobs(first).expect(401);
    const second = tokenOf(await signIn());
    now = "2026-12-24T10:00:00.001Z";
    await jobs(second).expect(401);
    const third = tokenOf(await signIn());
    await jobs(third).expect(200);
    await setPassphraseHash(knex, hash);
    await jobs(third).expect(401);
    await jobs("__Host-anvilcloud=").expect(401);
    await jobs("__Host-anvilcloud=' OR 1").expect(401);
  });

  test("attempts are limited, and the limit says when to try again; what was right is not counted", async () => {
    for (let n = 0; n < 5; n++) await signIn().expect(204);
    for (let n = 0; n < 10; n++) await signIn(`wrong ${n}`).expect(403);
    const refused = await signIn("wrong again").expect(429);
    expect(refused.headers["retry-after"]).toBe("900");
    expect(refused.body.title).toBe("Too many attempts");
    // Not even the right one, or a guess would show itself.
    await signIn().expect(429);
  });

  test("neither passphrase nor token stands in the database", async () => {
    const token = tokenOf(await signIn()).split("=")[1]!;
    await knex.raw("PRAGMA wal_checkpoint(TRUNCATE)");
    const bytes = readFileSync(file);
    expect(bytes.includes(passphrase)).toBe(false);
    expect(bytes.includes(token)).toBe(false);
  });
});

test("neither passphrase nor token stands in the log of the server", async () => {
  const lines: string[] = [];
  const logger = createLogger("info", { write: (line) => void lines.push(line) });
  const beyond = () => ({ addresses: [], trust: null });
  const logged = await serve({}, { beyond, logger });
  await setPassphraseHash(logged.knex, hash);
  const answer = await request(logged.app).post("/api/session").send({ passphrase }).expect(204);
  const token = tokenOf(answer).split("=")[1]!;
  await request(logged.app).get("/api/jobs").set("Cookie", tokenOf(answer)).expect(200);
  expect(lines.join("")).toContain("/api/jobs");
  expect(lines.join("")).not.toContain(token);
  expect(lines.join("")).not.toContain(passphrase);
  await logged.knex.destroy();
});

test("on this machine nobody is asked", async () => {
  const here = await serve();
  expect((await request(here.app).get("/api/session")).body).toEqual({ signIn: "not-needed" });
  await request(here.app).post("/api/session").send({ passphrase }).expect(409);
  expect((await request(here.app).get("/api/whereabouts")).body).toEqual({
    addresses: [],
    trust: null,
    code: null,
  });
  await here.knex.destroy();
});
