import { readFileSync } from "node:fs";
import { join } from "node:path";
import {
  jobFormat,
  jobsQuerySchema,
  pinNode,
  terminalNode,
  type BoardProfile,
  type JobBundle,
} from "@anvilcloud/core";
import createKnex, { type Knex } from "knex";
import { parse } from "yaml";
import { loadDemo } from "../seed/demo.ts";
import { findJob, insertJob, removeJob, replaceJob } from "../store/jobs.ts";
import { listJobs, pageSize } from "../store/list.ts";
import { addOwn, boardSource, findProfile, profilesJson, putShipped } from "../store/profiles.ts";
import { freshFolder } from "../testing/folders.ts";
import { filledDatabase, readLog, root } from "../testing/serve.ts";
import { migrate } from "./migrate.ts";
import { migrations } from "./migrations.ts";
import { openDatabase } from "./open.ts";

const now = "2026-11-24T10:00:00.000Z";
let file: string;
let knex: Knex;
beforeEach(async () => {
  ({ knex, file } = await filledDatabase());
});
afterEach(() => knex.destroy());

async function demo(id = "netloft"): Promise<JobBundle> {
  const { job, board, devices } = (await findJob(knex, id))!;
  return { format: jobFormat, job, board, devices, log: await readLog(knex, id) };
}

const page = (at: number) => listJobs(knex, jobsQuerySchema.parse({ page: at }));

describe("the database", () => {
  test("keeps WAL, full synchronisation and foreign keys", async () => {
    const pragma = async (name: string) =>
      Object.values(((await knex.raw(`PRAGMA ${name}`)) as object[])[0]!)[0] as unknown;
    expect(await pragma("journal_mode")).toBe("wal");
    expect(await pragma("synchronous")).toBe(2);
    expect(await pragma("foreign_keys")).toBe(1);
  });

  test("makes the folders of its file", async () => {
    const deep = await openDatabase(join(freshFolder(), "deep", "er", "test.db"));
    expect(await listJobs(deep, jobsQuerySchema.parse({}))).toEqual({ jobs: [], total: 0 });
    await deep.destroy();
  });

  test("opened a second time it has its data, and no migration runs again", async () => {
    await loadDemo(knex, root);
    await knex.destroy();
    knex = await openDatabase(file);
    expect((await page(0)).total).toBe(6);
    expect(await knex("knex_migrations").count({ n: "*" }).first()).toEqual({ n: migrations.length });
  });

  test("demo jobs go only into a database without jobs", async () => {
    expect(await loadDemo(knex, root)).toBe(6);
    expect(await loadDemo(knex, root)).toBe(0);
    await knex("jobs").where({ id: "netloft" }).delete();
    expect(await loadDemo(knex, root)).toBe(0);
    expect((await page(0)).total).toBe(5);
  });
});

describe("profiles", () => {
  test("the newest revision is listed and found; an older one can still be asked for", async () => {
    const board = (await findProfile(knex, "board", { id: "quillmarsh-tandrel" }))!;
    expect(await addOwn(knex, "board", { ...board, revision: 3, summary: "newer" }, "# mine")).toBe("stored");
    const listed = JSON.parse(await profilesJson(knex, "board")) as BoardProfile[];
    expect(listed.filter(({ id }) => id === board.id).map(({ revision }) => revision)).toEqual([3]);
    const names = listed.map(({ name }) => name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
    expect((await findProfile(knex, "board", { id: board.id }))?.summary).toBe("newer");
    expect((await findProfile(knex, "board", { id: board.id, revision: 2 }))?.summary).toBe(board.summary);
    expect(await findProfile(knex, "board", { id: board.id, revision: 4 })).toBeUndefined();
  });

  test("a revision that is there is never written over, by a person or by a later shipped file", async () => {
    const board = (await findProfile(knex, "board", { id: "quillmarsh-tandrel" }))!;
    await addOwn(knex, "board", { ...board, revision: 3, summary: "mine" }, "# mine");
    expect(await addOwn(knex, "board", { ...board, revision: 3, summary: "again" }, "# again")).toEqual({
      newest: 3,
    });
    expect(await addOwn(knex, "board", { ...board, revision: 2, summary: "again" }, "# again")).toEqual({
      newest: 3,
    });
    await putShipped(knex, "board", { ...board, revision: 3, summary: "shipped" }, "# shipped", "d");
    expect((await findProfile(knex, "board", { id: board.id }))?.summary).toBe("mine");
    expect((await boardSource(knex, { id: board.id }))?.source).toBe("# mine");
  });
});

/** A device as it was stored at that time. */
const oldDevice = {
  format: "anvilcloud/device@1",
  id: "brackwater-clasp",
  name: "Clasp magnetic lock",
  maker: "Brackwater Locks",
  revision: 1,
  kind: "lock",
  source: { from: "maker's sheet" },
  parts: [{ id: "coil", label: "lock", strands: "flexible" }],
  pins: [
    { id: "plus", label: "coil +", part: "coil", core: "RD" },
    { id: "minus", label: "coil −", part: "coil", core: "BK" },
  ],
  contacts: [],
  supplies: [
    {
      id: "coil",
      duty: "lock",
      kind: "dc",
      volts: { min: 21.5, max: 27 },
      milliamps: { rest: 310, working: 310 },
      pins: { plus: "plus", minus: "minus" },
    },
  ],
  provides: [],
};

describe("a database of the first version", () => {
  test("opens: its boards and its jobs' boards are in the newest format, its log is untouched", async () => {
    const old = join(freshFolder(), "old.db");
    const before = createKnex({
      client: "better-sqlite3",
      connection: { filename: old },
      useNullAsDefault: true,
    });
    await migrate(before, migrations.slice(0, 1));
    const board = JSON.stringify(
      parse(readFileSync(join(root, "core/src/testing/old/board-1.yaml"), "utf8")),
    );
    await before("profiles").insert({ kind: "board", id: "quillmarsh-tandrel", revision: 1, body: board });
    const { job } = JSON.parse(readFileSync(join(root, "demo/netloft.json"), "utf8")) as { job: object };
    await before("jobs").insert({
      id: "netloft",
      version: 4,
      title: "Netloft",
      job: JSON.stringify({ ...job, wishes: { "command-logic": "step-by-step" } }),
      board,
      devices: JSON.stringify([oldDevice]),
      created_at: now,
      updated_at: now,
    });
    await before("profiles").insert({
      kind: "device",
      id: oldDevice.id,
      revision: 1,
      body: JSON.stringify(oldDevice),
    });
    const entry = { id: "e1", at: now, by: "", kind: "wired", moves: [{ pin: "stop/a", to: "board/P2" }] };
    const body = JSON.stringify(entry);
    await before("log").insert({ job_id: "netloft", entry_id: "e1", kind: "wired", at: now, body });
    await before.destroy();

    const after = await openDatabase(old);
    const stored = (await findJob(after, "netloft"))!;
    expect(stored.version).toBe(4);
    expect(stored.job.wishes).toEqual({ "command-logic": "open-stop-close-stop" });
    expect(stored.board).toMatchObject({ format: "anvilcloud/board@3", limits: ["stops"] });
    expect(stored.board.supply.poles).toEqual({ live: "M1", neutral: "M2", earth: "M3" });
    expect((await findProfile(after, "board", { id: "quillmarsh-tandrel" }))?.format).toBe(
      "anvilcloud/board@3",
    );
    // A device of that time has what was added to its format since, in the catalogue and in the job.
    const added = { jumpers: [], listens: [], supplies: [{ lives: "any", suppression: "none" }] };
    expect(stored.devices).toMatchObject([{ id: oldDevice.id, ...added }]);
    expect(await findProfile(after, "device", { id: oldDevice.id })).toMatchObject(added);
    // The log is as it was written, and is read as it would be written today.
    expect(await after("log").first("body")).toEqual({ body });
    expect(await readLog(after, "netloft")).toEqual([
      { ...entry, moves: [{ pin: pinNode("stop", "a"), to: terminalNode("P2") }] },
    ]);
    await after.destroy();
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
    expect(await replaceJob(knex, { job: { ...job, title: "two" }, board, devices }, 1, now)).toBe("stored");
    expect(await replaceJob(knex, { job: { ...job, title: "late" }, board, devices }, 1, now)).toBe("moved");
    expect(await findJob(knex, "netloft")).toMatchObject({ version: 2, job: { title: "two" } });
  });

  test("a job with a log stays, whatever is asked", async () => {
    expect(await removeJob(knex, "sailloft", 1)).toBe(false);
    await expect(knex("jobs").where({ id: "sailloft" }).delete()).rejects.toMatchObject({
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
    const [first, second] = [await page(0), await page(1)];
    expect([first.jobs.length, second.jobs.length, first.total]).toEqual([pageSize, 6, pageSize + 6]);
    expect(second.jobs.map((job) => job.id).sort()).toEqual([
      "chandlery",
      "eelfence",
      "icehouse",
      "netloft",
      "ropewalk",
      "sailloft",
    ]);
    const times = first.jobs.map((job) => job.updatedAt);
    expect(times).toEqual([...times].sort().reverse());
    expect((await page(2)).jobs).toEqual([]);
  });
});
