import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { freshFolder } from "../testing/folders.ts";
import { serve } from "../testing/serve.ts";

const long = `export const long = "${"x".repeat(5_000)}";`;

let app: Express;
let knex: Knex;
beforeAll(async () => {
  const web = freshFolder();
  mkdirSync(join(web, "assets"));
  writeFileSync(join(web, "index.html"), "<title>page</title>");
  const script = join(web, "assets/app-1a2b.js");
  writeFileSync(script, long);
  writeFileSync(`${script}.br`, brotliCompressSync(long));
  writeFileSync(`${script}.gz`, gzipSync(long));
  ({ app, knex } = await serve({}, { web }));
});
afterAll(() => knex.destroy());

describe("the web app", () => {
  test("any address that is not the API's gets the page, never from an old cache", async () => {
    for (const address of ["/", "/jobs/netloft/wire", "/nowhere/at/all"]) {
      const answer = await request(app).get(address).expect(200);
      expect(answer.text).toContain("<title>page</title>");
      expect(answer.headers["cache-control"]).toBe("no-cache");
    }
  });

  test("its scripts are compressed and kept for good; one that is not there is a problem, not the page", async () => {
    for (const [taken, sent] of [
      ["gzip, br", "br"],
      ["gzip", "gzip"],
      ["identity", undefined],
    ] as const) {
      const get = request(app).get("/assets/app-1a2b.js").set("Accept-Encoding", taken);
      const answer = await get.buffer(true).parse((stream, done) => {
        const parts: Buffer[] = [];
        stream.on("data", (part: Buffer) => parts.push(part));
        stream.on("end", () => done(null, Buffer.concat(parts)));
      });
      expect([taken, answer.status, answer.headers["content-encoding"]]).toEqual([taken, 200, sent]);
      expect(answer.headers["content-type"]).toContain("javascript");
      expect(answer.headers["cache-control"]).toContain("immutable");
      // Unpacked as it comes, it is the script.
      expect((answer.body as Buffer).toString()).toBe(long);
    }
    const missing = await request(app).get("/assets/gone.js").expect(404);
    expect(missing.headers["content-type"]).toContain("application/problem+json");
  });

  test("nothing outside its folder is served", async () => {
    for (const address of ["/../package.json", "/assets/..%2f..%2fpackage.json", "/%2e%2e/package.json"]) {
      const answer = await request(app).get(address);
      expect(answer.text).not.toContain('anvilcloud"');
    }
  });

  test("an unknown method says so as a problem", async () => {
    const answer = await request(app).patch("/api/jobs").expect(404);
    expect(answer.body).toMatchObject({ type: "about:blank", title: "No such address", status: 404 });
  });
});
