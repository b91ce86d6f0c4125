import { join } from "node:path";
import type { JobBundle } from "@anvilcloud/core";
import type { Knex } from "knex";
import { loadDemo } from "../seed/demo.ts";
import { loadShipped } from "../seed/shipped.ts";
import { findJob, insertJob, listJobs, pageSize, removeJob, replaceJob } from "../store/jobs.ts";
import { readLog } from "../store/log.ts";
import { findProfile, listProfiles, putProfile } from "../store/profiles.ts";
import { freshFolder, root } from "../testing/serve.ts";
import { openDatabase } from "./open.ts";

const now = "2026-11-24T10:00:00.000Z";
let file: string;
let knex: Knex;
beforeEach(async () => {
  file = join(freshFolder(), "deep", "er", "test.db");
  knex = await openDatabase(file);
  await loadShipped(knex, root);
});
afterEach(() => knex.destroy());

async function demo(id = "netloft"): Promise<JobBundle> {
  const { job, board, devices } = (await findJob(knex, id))!;
  return { format: "anvilcloud/job@1", job, board, devices, log: await readLog(knex, id) };
}

describe("the database", () => {
  test("keeps WAL, full synchronisation and foreign keys", async () => {
    const pragma = async (name: string) =>
      Object.values(((await knex.raw(`PRAGMA ${name}`)) as object[])[0]!)[0] as unknown;
    expect(await pragma("journal_mode")).toBe("wal");
    expect(await pragma("synchronous")).toBe(2);
    expect(await pragma("foreign_keys")).toBe(1);
  });

  test("opened a second time it has its data, and no migration runs again", async () => {
    await loadDemo(knex, root);
    await knex.destroy();
    knex = await openDatabase(file);
    expect((await listJobs(knex, 0)).total).toBe(3);
    expect(await knex("knex_migrations").count({ n: "*" }).first()).toEqual({ n: 1 });
  });

  test("demo jobs go only into a database without jobs", async () => {
    expect(await loadDemo(knex, root)).toBe(3);
    expect(await loadDemo(knex, root)).toBe(0);
    await knex("jobs").where({ id: "netloft" }).delete();
    expect(await loadDemo(knex, root)).toBe(0);
    expect((await listJobs(knex, 0)).total).toBe(2);
  });
});

describe("profiles", () => {
  test("the newest revision is listed and found; an older one can still be asked for", async () => {
    const board = (await findProfile(knex, "board", { id: "quillmarsh-duet" }))!;
    await putProfile(knex, "board", { ...board, revision: 2, summary: "newer" });
    expect((await listProfiles(knex, "board")).map((each) => each.revision)).toEqual([2]);
    expect((await findProfile(knex, "board", { id: board.id }))?.summary).toBe("newer");
    expect((await findProfile(knex, "board", { id: board.id, revision: 1 }))?.summary).toBe(board.summary);
    expect(await findProfile(knex, "board", { id: board.id, revision: 3 })).toBeUndefined();
  });
});

describe("jobs", () => {
  beforeEach(() => loadDemo(knex, root));

  test("a taken id stores nothing, neither job nor log", async () => {
    const bundle = await demo("ropewalk");
    expect(await insertJob(knex, { ...bundle, job: { ...bundle.job, title: "other" } }, now)).toBe(false);
    expect((await findJob(knex, "ropewalk"))?.job.title).toBe(bundle.job.title);
    expect(await readLog(knex, "ropewalk")).toHaveLength(bundle.log.length);
  });

  test("a log that cannot be stored takes its job back with it", async () => {
    const bundle = await demo("ropewalk");
    const twice = { ...bundle, job: { ...bundle.job, id: "copy" }, log: [bundle.log[0]!, bundle.log[0]!] };
    await expect(insertJob(knex, twice, now)).rejects.toMatchObject({
      message: expect.stringContaining("UNIQUE"),
    });
    expect(await findJob(knex, "copy")).toBeUndefined();
    expect(await readLog(knex, "copy")).toEqual([]);
  });

  test("a change from an old version changes nothing", async () => {
    const { job, board, devices } = await demo();
    expect(await replaceJob(knex, { job: { ...job, title: "two" }, board, devices }, 1, now)).toBe(true);
    expect(await replaceJob(knex, { job: { ...job, title: "late" }, board, devices }, 1, now)).toBe(false);
    expect(await findJob(knex, "netloft")).toMatchObject({ version: 2, job: { title: "two" } });
  });

  test("a job with a log stays, whatever is asked", async () => {
    expect(await removeJob(knex, "lampquay", 1)).toBe(false);
    await expect(knex("jobs").where({ id: "lampquay" }).delete()).rejects.toMatchObject({
      message: expect.stringContaining("FOREIGN KEY"),
    });
    expect(await removeJob(knex, "netloft", 1)).toBe(true);
  });

  test("the list comes in pages, the one changed last first", async () => {
    const bundle = await demo();
    for (let n = 0; n < pageSize; n++)
      await insertJob(
        knex,
        { ...bundle, job: { ...bundle.job, id: `more-${n}` } },
        `2026-12-01T00:00:${String(n % 60).padStart(2, "0")}.000Z`,
      );
    const [first, second] = [await listJobs(knex, 0), await listJobs(knex, 1)];
    expect([first.jobs.length, second.jobs.length, first.total]).toEqual([pageSize, 3, pageSize + 3]);
    expect(second.jobs.map((job) => job.id).sort()).toEqual(["lampquay", "netloft", "ropewalk"]);
    const times = first.jobs.map((job) => job.updatedAt);
    expect(times).toEqual([...times].sort().reverse());
    expect((await listJobs(knex, 2)).jobs).toEqual([]);
  });
});
