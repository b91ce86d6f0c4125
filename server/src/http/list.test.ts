import type { JobsPage, JobSummary, Overview } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { serve } from "../testing/serve.ts";

let app: Express;
let knex: Knex;
beforeEach(async () => ({ app, knex } = await serve({ demo: true })));
afterEach(() => knex.destroy());

const list = async (query = "") => (await request(app).get(`/api/jobs${query}`).expect(200)).body as JobsPage;
const ids = async (query: string) => (await list(query)).jobs.map(({ id }) => id);
const of = async (id: string): Promise<JobSummary | undefined> =>
  (await list(`?find=${id}`)).jobs.find((job) => job.id === id);
const overview = async () => (await request(app).get("/api/overview").expect(200)).body as Overview;
const place = (id: string, body: object) => request(app).put(`/api/jobs/${id}/place`).send(body);
const post = (id: string, entry: object) => request(app).post(`/api/jobs/${id}/log`).send(entry);

/** An answer to one step. */
const answer = (id: string, step: string, outcome: string) => ({
  id,
  at: "2026-11-24T09:00:00.000Z",
  by: "Ivet",
  kind: "step",
  step,
  station: "prove",
  title: "Manual release",
  outcome,
  effects: [],
});

describe("the list of jobs", () => {
  test("is found by every word, in any order, without regard to accents, and by nothing it has not", async () => {
    const [first] = (await list()).jobs;
    const { job, version } = (await request(app).get(`/api/jobs/${first!.id}`)).body as {
      job: { title: string; site: object };
      version: number;
    };
    await request(app)
      .put(`/api/jobs/${first!.id}`)
      .set("If-Match", `"${version}"`)
      .send({
        ...job,
        title: "Quai du Nôrd 50% _x_",
        site: { customer: "Ödger", address: "", town: "Saltreath" },
      })
      .expect(200);
    for (const words of ["nord odger", "ODGER quai", "50%", "_x_", first!.id])
      expect(await ids(`?find=${encodeURIComponent(words)}`)).toEqual([first!.id]);
    for (const words of ["5%0", "nord nobody", "quai\\"])
      expect(await ids(`?find=${encodeURIComponent(words)}`)).toEqual([]);
  });

  test("is narrowed by standing, board, town and day of service, and sorted both ways", async () => {
    expect(await ids("?standing=not-begun")).toEqual(["netloft"]);
    expect(await ids("?due=2026-11-28")).toEqual(["eelfence"]);
    expect(new Set(await ids("?due=2027-12-31"))).toEqual(new Set(["eelfence", "sailloft"]));
    expect(await ids("?board=hexby-hoistrum")).toEqual(["icehouse"]);
    expect(await ids("?town=Nowhere")).toEqual([]);
    const sorted = async (query: string) => (await list(query)).jobs.map(({ title }) => title);
    const titles = await sorted("?sort=title");
    expect(titles).toEqual([...titles].sort((a, b) => a.localeCompare(b, "en")));
    expect(await sorted("?sort=title&order=down")).toEqual([...titles].reverse());
    // What has no service due comes last.
    expect((await ids("?sort=due")).slice(0, 2)).toEqual(["eelfence", "sailloft"]);
  });

  test("refuses what it is not asked for so", async () => {
    for (const query of [
      "page=-1",
      "page=1.5",
      "sort=colour",
      "standing=lost",
      "due=soon",
      "shelf=attic",
      "x=1",
      "find=a&find=b",
    ])
      expect((await request(app).get(`/api/jobs?${query}`).expect(400)).body.detail).toMatch(
        /^query: .+ expected/,
      );
  });
});

describe("how a job stands", () => {
  test("follows its log: a step not seen waits until it is seen, a withdrawn answer counts no more", async () => {
    expect(await of("netloft")).toMatchObject({ standing: "not-begun", answered: 0 });
    await post("netloft", answer("a1", "prove:release", "not-seen")).expect(201);
    expect(await of("netloft")).toMatchObject({ standing: "waiting", answered: 1, unseen: 1 });
    await post("netloft", answer("a2", "prove:release", "seen")).expect(201);
    expect(await of("netloft")).toMatchObject({ standing: "under-way", answered: 1, unseen: 0 });
    await post("netloft", answer("a3", "prove:release", "withdrawn")).expect(201);
    expect(await of("netloft")).toMatchObject({ standing: "not-begun", answered: 0 });
  });

  test("is what its installer says it waits for, until nothing is said", async () => {
    await place("ropewalk", { waitsFor: " a new lock " }).expect(204);
    expect(await of("ropewalk")).toMatchObject({ standing: "waiting", waitsFor: "a new lock" });
    // What was saved since leaves it so.
    await post("ropewalk", {
      ...answer("n", "", ""),
      kind: "note",
      text: "dry",
      step: undefined,
      station: undefined,
      title: undefined,
      outcome: undefined,
      effects: undefined,
    }).expect(201);
    expect(await of("ropewalk")).toMatchObject({ standing: "waiting" });
    await place("ropewalk", { waitsFor: "" }).expect(204);
    expect(await of("ropewalk")).toMatchObject({ standing: "under-way", waitsFor: "" });
  });

  test("stands in the overview: what is due, waits, was opened again and is under way", async () => {
    await place("ropewalk", { waitsFor: "a lock" }).expect(204);
    const seen = await overview();
    const named = (some: { jobs: JobSummary[] }) => some.jobs.map(({ id }) => id);
    expect(named(seen.due)).toEqual(["eelfence"]);
    expect(named(seen.waiting)).toContain("ropewalk");
    const jobs = (await list()).jobs;
    for (const { of: standing, jobs: count } of seen.standings)
      expect(jobs.filter((job) => job.standing === standing)).toHaveLength(count);
    expect(seen.boards.map(({ jobs: count }) => count)).toEqual([1, 1, 1, 1, 1, 1]);
    expect(seen.towns.reduce((sum, { jobs: count }) => sum + count, 0)).toBe(6);
  });
});

describe("shelves and copies", () => {
  test("a job put away leaves the list, and comes back as it was", async () => {
    const before = await of("sailloft");
    for (const shelf of ["archive", "templates", "bin"]) {
      await place("sailloft", { shelf }).expect(204);
      expect(await of("sailloft")).toBeUndefined();
      expect(await ids(`?shelf=${shelf}`)).toEqual(["sailloft"]);
    }
    await place("sailloft", { shelf: "jobs" }).expect(204);
    expect(await of("sailloft")).toEqual(before);
    await place("sailloft", { shelf: "attic" }).expect(422);
    await place("nobody", { shelf: "bin" }).expect(404);
  });

  test("a copy has the devices and wishes of its job, and nothing of what was found or done", async () => {
    const { job } = (await request(app).get("/api/jobs/chandlery")).body;
    const { body } = await request(app)
      .post("/api/jobs/chandlery/copies")
      .send({ title: "Twin" })
      .expect(201);
    expect(body.job).toMatchObject({
      title: "Twin",
      wishes: job.wishes,
      site: job.site,
      found: { noted: false },
    });
    expect(body.job.devices).toHaveLength(job.devices.length);
    expect(await of(body.job.id as string)).toMatchObject({ standing: "not-begun", answered: 0 });
    const other = await request(app)
      .post("/api/jobs/chandlery/copies")
      .send({ title: "Twin", customer: "Someone" })
      .expect(201);
    expect(other.body.job.site).toEqual({ customer: "Someone", address: "", town: "" });
    await request(app).post("/api/jobs/nobody/copies").send({ title: "Twin" }).expect(404);
    await request(app).post("/api/jobs/netloft/copies").send({ title: "" }).expect(422);
  });
});
