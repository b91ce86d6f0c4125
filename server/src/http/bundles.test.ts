import { importMeetsSchema, type JobBundle } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { serve } from "../testing/serve.ts";

let app: Express;
let knex: Knex;
beforeEach(async () => ({ app, knex } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const bundle = async (id = "netloft") =>
  (await request(app).get(`/api/jobs/${id}/bundle`).expect(200)).body as JobBundle;

describe("bundles", () => {
  test("a job imported on another installation comes out unchanged, log and profiles included", async () => {
    const other = await serve();
    for (const id of ["netloft", "ropewalk", "icehouse", "chandlery", "sailloft", "eelfence"]) {
      const exported = await bundle(id);
      await request(other.app).post("/api/bundles").send(exported).expect(201);
      const again = await request(other.app).get(`/api/jobs/${id}/bundle`).expect(200);
      expect(again.body).toEqual(exported);
    }
    await other.knex.destroy();
  });

  describe("of a job that is here already", () => {
    const note = { id: "n1", at: "2026-11-24T09:00:00.000Z", by: "", kind: "note", text: "dry" };
    /** The job as it stands on another device: another title, and a note more. */
    const later = async (id = "ropewalk") => {
      const file = await bundle(id);
      return {
        ...file,
        job: { ...file.job, title: "Ropewalk gates, north" },
        log: [...file.log, note],
      } as JobBundle;
    };
    const post = (file: JobBundle, query = "") => request(app).post(`/api/bundles${query}`).send(file);

    test("it is refused with both documents and how the logs differ, and nothing changes", async () => {
      const file = await later();
      const before = await bundle("ropewalk");
      await request(app)
        .post("/api/jobs/ropewalk/log")
        .send({ ...note, id: "here", text: "hinge" });
      const answer = await post(file).expect(409);
      expect(answer.body.detail).toContain("Nothing was imported");
      expect(importMeetsSchema.parse(answer.body.meets)).toMatchObject({
        version: 1,
        here: { title: before.job.title },
        file: { title: "Ropewalk gates, north" },
        log: { both: before.log.length, onlyHere: 1, onlyFile: 1, unlike: 0 },
      });
      expect((await bundle("ropewalk")).job).toEqual(before.job);
    });

    test("as a copy it gets an id and a title of its own, its log with it", async () => {
      const file = await later();
      const { body } = await post(file, "?as=copy").expect(201);
      expect(body.id).not.toBe("ropewalk");
      const copied = await bundle(body.id as string);
      expect(copied.job).toEqual({ ...file.job, id: body.id, title: "Ropewalk gates, north, copy" });
      expect(copied.log).toEqual(file.log);
    });

    test("as a later state its document stands, and both logs are one", async () => {
      const file = await later();
      const here = { ...note, id: "here", text: "hinge" };
      await request(app).post("/api/jobs/ropewalk/log").send(here).expect(201);
      await post(file, "?as=later").expect(400);
      await post(file, "?as=later&version=9").expect(412);
      expect((await post(file, "?as=later&version=1").expect(201)).body).toEqual({
        id: "ropewalk",
        version: 2,
      });
      const now = await bundle("ropewalk");
      expect(now.job.title).toBe("Ropewalk gates, north");
      expect(now.log).toEqual([...file.log.slice(0, -1), here, note]);
      // Once more it brings nothing new.
      const again = await post(file, "?as=later&version=2").expect(201);
      expect(again.body.version).toBe(3);
      expect((await bundle("ropewalk")).log).toEqual(now.log);
    });

    test("a handed over job takes notes of it, and all of it once it opens the job again", async () => {
      const file = await later("sailloft");
      const same = { ...file, job: (await bundle("sailloft")).job };
      await post(file, "?as=later&version=1").expect(409);
      await post(same, "?as=later&version=1").expect(201);
      const reopened = { ...note, id: "r1", kind: "reopened", text: undefined, reason: "too fast" };
      await post({ ...file, log: [...file.log, reopened] } as JobBundle, "?as=later&version=2").expect(201);
      expect((await bundle("sailloft")).job.title).toBe("Ropewalk gates, north");
    });

    test("logs that contradict each other are not made one", async () => {
      const file = await later();
      await request(app)
        .post("/api/jobs/ropewalk/log")
        .send({ ...note, text: "wet" });
      expect((await post(file).expect(409)).body.meets.log).toMatchObject({ unlike: 1, onlyFile: 0 });
      const answer = await post(file, "?as=later&version=1").expect(409);
      expect(answer.body.title).toBe("The logs contradict each other");
      await post(file, "?as=copy").expect(201);
    });
  });

  test.each<[string, (b: JobBundle) => void, RegExp]>([
    [
      "two terminals of one id",
      (b) => (b.board.blocks[0]!.terminals[1]!.number = 1),
      /board\.blocks\[0\]\.terminals\[1\]\.number/,
    ],
    [
      "a dial with its sweep reversed",
      (b) => (b.board.dials[0]!.sweep = { from: "5:00", to: "7:00" }),
      /board\.dials\[0\]\.sweep/,
    ],
    [
      "a link between terminals that do not exist",
      (b) => (b.board.links[0]!.between = ["P8", "P9"]),
      /board\.links\[0\]\.between\[0\]/,
    ],
  ])(
    "a profile with %s is refused by import and by plan, and nothing is half-saved",
    async (_name, change, message) => {
      const broken = { ...(await bundle()) };
      change(broken);
      broken.job.id = "broken";
      for (const address of ["/api/bundles", "/api/plan"]) {
        const answer = await request(app).post(address).send(broken).expect(422);
        expect(answer.body.detail).toMatch(message);
        expect(answer.body.problems[0]).toMatchObject({
          file: "bundle",
          remedy: expect.stringMatching(/\.$/),
        });
      }
      await request(app).get("/api/jobs/broken").expect(404);
    },
  );
});

describe("plan, without any stored job", () => {
  test("gives wiring, controls, findings, stations and a run sheet with what is seen of each step", async () => {
    const empty = await serve();
    const { body } = await request(empty.app)
      .post("/api/plan")
      .send(await bundle())
      .expect(200);
    expect(body.wiring.cores).toHaveLength(29);
    expect(body.statuses[0]).toMatchObject({ station: "survey", state: "open" });
    const power = body.sheet.find((step: { id: string }) => step.id === "do:power-up:on");
    expect(power.see).toContainEqual(expect.objectContaining({ label: "BEAM", is: "lit" }));
    const cycle = body.sheet.find((step: { id: string }) => step.id === "do:first-cycle:cycle");
    expect(cycle.seconds).toBeGreaterThan(40);
    expect(cycle.see[0].text).toMatch(/opens for \d+ s and stands fully open/);
    expect((await request(empty.app).get("/api/jobs")).body.total).toBe(0);
    await empty.knex.destroy();
  });

  test("tells of one step how it would look with each single fault, and of a step it has not that there is none", async () => {
    const empty = await serve();
    const sent = await bundle();
    const ask = (step: string) =>
      request(empty.app)
        .post(`/api/plan/sights?step=${encodeURIComponent(step)}`)
        .send(sent);
    const { body } = await ask("do:power-up:on").expect(200);
    expect(body.due.lamps["lamp-beam"]).toBe("lit");
    const dark = body.faulty.filter(
      ({ sight }: { sight: { lamps: Record<string, string> } }) => sight.lamps["lamp-beam"] === "dark",
    );
    expect(dark.length).toBeGreaterThan(1);
    for (const { where, todo } of dark) expect(`${where} ${todo}`).toMatch(/^Photocell, quay side.*\.$/);
    const none = await ask("do:nothing").expect(404);
    expect(none.body.detail).toMatch(/no step "do:nothing".*POST \/api\/plan/);
    await ask("x".repeat(300)).expect(400);
    await empty.knex.destroy();
  });
});
