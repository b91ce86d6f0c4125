import { engineVersion, runFormat, type JobBundle } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { serve } from "../testing/serve.ts";

let app: Express;
let knex: Knex;
let bundle: JobBundle;
beforeAll(async () => {
  ({ app, knex } = await serve({ demo: true }));
  bundle = (await request(app).get("/api/jobs/netloft/bundle")).body as JobBundle;
});
afterAll(() => knex.destroy());

const run = {
  format: runFormat,
  engine: engineVersion,
  seed: 7,
  from: "done",
  seconds: 40,
  spread: 0.2,
  script: [{ at: 1, do: { command: "open" } }],
};

test("a run is played, and comes to the same each time it is sent", async () => {
  const play = async () => (await request(app).post("/api/runs").send({ run, bundle }).expect(200)).body;
  const [one, again] = [await play(), await play()];
  expect(one.mark).toMatch(/^[0-9a-f]{16}$/);
  expect(one.seconds).toBe(40);
  expect(again).toEqual(one);
});

test("a sweep is told one line a run, each with its place, and each run is another", async () => {
  const answer = await request(app)
    .post("/api/sweeps")
    .send({ run, bundle, over: { seeds: 3 } })
    .buffer(true)
    .parse((response, done) => {
      let text = "";
      response.on("data", (chunk: Buffer) => (text += chunk.toString()));
      response.on("end", () => done(null, text));
    })
    .expect(200);
  const lines = (answer.body as string)
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as { at: number; of: number; told: { mark: string; seed: number } });
  expect(lines.map(({ at }) => at)).toEqual([0, 1, 2]);
  expect(lines.every(({ of }) => of === 3)).toBe(true);
  expect(new Set(lines.map(({ told }) => told.mark)).size).toBe(3);
  expect(lines.map(({ told }) => told.seed)).toEqual([7, 8, 9]);
});

test("what is no run, or of another version, is refused with its place before anything is answered", async () => {
  for (const [path, sent, says] of [
    ["/api/runs", { run: { ...run, engine: 99 }, bundle }, /run\.engine/],
    ["/api/runs", { run: { ...run, script: [{ at: 1 }] }, bundle }, /script\[0\]/],
    ["/api/sweeps", { run, bundle, over: { seeds: 0 } }, /seeds/],
    ["/api/sweeps", { run, bundle }, /over/],
  ] as const) {
    const { body } = await request(app).post(path).send(sent).expect(422);
    expect(body.detail).toMatch(says);
  }
});
