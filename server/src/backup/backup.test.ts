import { spawnSync } from "node:child_process";
import {
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { basename, dirname, join } from "node:path";
import Database from "better-sqlite3";
import { openDatabase } from "../db/open.ts";
import { addSession, hasSession } from "../store/access.ts";
import { freshFolder } from "../testing/folders.ts";
import { filledDatabase, filledFile, readLog, root } from "../testing/serve.ts";
import { built } from "../testing/built.ts";
import { start, ended } from "../testing/program.ts";
import { asideName, clearKilled, setAside } from "./aside.ts";
import { backup } from "./backup.ts";
import { restore } from "./restore.ts";

const at = (second: number) => new Date(Date.UTC(2026, 10, 27, 5, 0, second));
const note = (id: string) => ({ id, at: "2026-11-24T09:00:00.000Z", by: "Ivet", kind: "note", text: id });

/** Two writers that add to a job's log, one after the other, until they are told to stop; gives the ids that were acknowledged. */
function keepWriting(address: string): () => Promise<string[]> {
  const stored: string[] = [];
  let going = true;
  const writer = async (who: string) => {
    for (let n = 0; going; n++) {
      const answer = await fetch(`${address}/api/jobs/netloft/log`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(note(`${who}${n}`)),
      });
      if (answer.status === 201) stored.push(`${who}${n}`);
    }
  };
  const writers = Promise.all([writer("a"), writer("b")]);
  return async () => {
    going = false;
    await writers;
    return stored;
  };
}

const ids = async (file: string) => {
  const knex = await openDatabase(file);
  const log = await readLog(knex, "netloft");
  await knex.destroy();
  return log.map(({ id }) => id);
};

test("a backup under a server that is being written to is whole, holds what was acknowledged before it, and is restored only once the server has stopped", async () => {
  const folder = freshFolder();
  const database = await filledFile({ demo: true });
  const server = await start(database);
  const stop = keepWriting(server.address);
  const before = () => fetch(`${server.address}/api/jobs/netloft/log`).then((answer) => answer.json());
  let known: string[] = [];
  while (known.length < 20) known = ((await before()) as { log: { id: string }[] }).log.map(({ id }) => id);
  const { file } = await backup(database, join(folder, "backups"), { kept: 3, now: at(1) });
  const stored = await stop();
  const copied = await ids(file);
  expect(copied.slice(0, known.length)).toEqual(known);
  expect(stored.length).toBeGreaterThan(known.length);

  expect(() => restore(file, database, at(2))).toThrow(
    /found that a server has. Stop it, then restore again/,
  );
  expect(() => setAside(database, at(2))).toThrow(/found that a server has. Stop it, then start over again/);
  // The server has missed nothing of it.
  expect((await fetch(`${server.address}/api/jobs/netloft`)).status).toBe(200);
  const over = ended(server.process);
  server.process.kill("SIGKILL");
  await over;
  // After a kill the last saves lie beside the file: they are set aside with it.
  const aside = restore(file, database, at(3))!;
  expect(await ids(database)).toEqual(copied);
  expect((await ids(aside)).sort()).toEqual(stored.sort());
});

test("a database is set aside whole, with what lies beside it, and nothing stays in its place", async () => {
  const database = await filledFile({ demo: true });
  const server = await start(database);
  const stop = keepWriting(server.address);
  const before = () => fetch(`${server.address}/api/jobs/netloft/log`).then((answer) => answer.json());
  while (((await before()) as { log: object[] }).log.length < 5);
  const stored = await stop();
  const over = ended(server.process);
  server.process.kill("SIGKILL");
  await over;
  const aside = setAside(database, at(1))!;
  for (const end of ["", "-wal", "-shm"]) expect(existsSync(database + end)).toBe(false);
  expect((await ids(aside)).sort()).toEqual(stored.sort());
  expect(setAside(database, at(2))).toBeUndefined();
});

test("a restore that was killed leaves nothing behind once the database is used again; one at work loses nothing", async () => {
  const file = await filledFile();
  const name = basename(file);
  const there = () => readdirSync(dirname(file)).sort();
  const parts = ["", "-wal"].map((end) => `${file}.restored${end}`);
  for (const part of parts) {
    writeFileSync(part, "half a copy");
    utimesSync(part, at(1), at(1));
  }
  linkSync(file, asideName(file, at(1)));
  // What was set aside has another content, and stays.
  copyFileSync(file, asideName(file, at(0)));
  const all = there();
  expect(all).toHaveLength(5);
  clearKilled(file, at(2));
  expect(there()).toEqual(all);
  clearKilled(file, at(2 * 3_600));
  expect(there()).toEqual([name, basename(asideName(file, at(0)))]);
});

test("only the newest stay, and nothing else in the folder is touched", async () => {
  const { file, knex } = await filledDatabase();
  const folder = join(freshFolder(), "backups");
  mkdirSync(folder);
  writeFileSync(join(folder, "anvilcloud-notes.txt"), "mine");
  writeFileSync(join(folder, "anvilcloud-old.db"), "mine too");
  for (const second of [1, 2, 3, 4]) await backup(file, folder, { kept: 2, now: at(second) });
  expect(readdirSync(folder).sort()).toEqual([
    "anvilcloud-2026-11-27T05-00-03-000Z.db",
    "anvilcloud-2026-11-27T05-00-04-000Z.db",
    "anvilcloud-notes.txt",
    "anvilcloud-old.db",
  ]);
  await knex.destroy();
});

test("a backup that was just made stays, however many later dates the others bear", async () => {
  const { file, knex } = await filledDatabase();
  const folder = join(freshFolder(), "backups");
  for (const second of [5, 6, 7]) await backup(file, folder, { kept: 3, now: at(second) });
  // The clock was wrong then, or is now.
  const { file: made, removed } = await backup(file, folder, { kept: 3, now: at(1) });
  expect(removed).toEqual(["anvilcloud-2026-11-27T05-00-05-000Z.db"]);
  expect(readdirSync(folder).sort()).toEqual([
    basename(made),
    "anvilcloud-2026-11-27T05-00-06-000Z.db",
    "anvilcloud-2026-11-27T05-00-07-000Z.db",
  ]);
  await backup(file, folder, { kept: 1, now: at(2) });
  expect(readdirSync(folder)).toEqual(["anvilcloud-2026-11-27T05-00-02-000Z.db"]);
  await knex.destroy();
});

describe("what is damaged is neither kept as a backup nor restored", () => {
  test("a damaged database gives no backup, and takes none of the sound ones away", async () => {
    const { file, knex } = await filledDatabase();
    const folder = join(freshFolder(), "backups");
    await backup(file, folder, { kept: 1, now: at(1) });
    await knex.destroy();
    const bytes = readFileSync(file);
    bytes.fill(0xa5, 4_096 * 20, 4_096 * 50);
    writeFileSync(file, bytes);
    await expect(backup(file, folder, { kept: 1, now: at(2) })).rejects.toThrow(/damaged|malformed|sound/);
    expect(readdirSync(folder)).toEqual(["anvilcloud-2026-11-27T05-00-01-000Z.db"]);
    // And it is what a restore is for.
    const aside = restore(join(folder, readdirSync(folder)[0]!), file, at(3))!;
    // Set aside as it was, but for the note in its first page that it has no log beside it.
    expect(readFileSync(aside).subarray(4_096).equals(bytes.subarray(4_096))).toBe(true);
    expect(await ids(file)).toEqual([]);
  });

  test("nothing that a damaged database had beside it lies beside the one restored: another's log would spoil it", async () => {
    const { file, knex } = await filledDatabase();
    const { file: made } = await backup(file, join(freshFolder(), "b"), { kept: 1, now: at(1) });
    await knex.destroy();
    writeFileSync(file, "x".repeat(9_000));
    for (const end of ["-wal", "-shm"]) writeFileSync(file + end, `of the damaged one ${end}`);
    const aside = restore(made, file, at(2))!;
    for (const end of ["-wal", "-shm"]) expect(existsSync(file + end)).toBe(false);
    expect(readFileSync(aside, "utf8")).toBe("x".repeat(9_000));
    expect(await ids(file)).toEqual([]);
  });

  test("nor is another's log left where the database itself is gone", async () => {
    const { file, knex } = await filledDatabase();
    const { file: made } = await backup(file, join(freshFolder(), "b"), { kept: 1, now: at(1) });
    await knex.destroy();
    rmSync(file);
    writeFileSync(`${file}-wal`, "of the one that is gone");
    expect(restore(made, file, at(2))).toBeUndefined();
    expect(existsSync(`${file}-wal`)).toBe(false);
    expect(await ids(file)).toEqual([]);
  });

  test.each<[string, (file: string) => void, RegExp]>([
    ["cut short", (file) => truncateSync(file, 8_192), /expected a sound database of Anvilcloud, found/],
    [
      "no database",
      (file) => writeFileSync(file, "x".repeat(9_000)),
      /found none \(file is not a database\)/,
    ],
    [
      "of another program",
      (file) => {
        const other = new Database(file);
        other.exec("DROP TABLE knex_migrations");
        other.close();
      },
      /found another program's/,
    ],
    [
      "of a later version",
      (file) => {
        const later = new Database(file);
        later.exec("INSERT INTO knex_migrations (name) VALUES ('099-later')");
        later.close();
      },
      /found one that a later version changed \(099-later\)/,
    ],
  ])("a backup that is %s is refused by its name, and the database stays", async (_what, spoil, told) => {
    const file = await filledFile();
    const { file: made } = await backup(file, join(freshFolder(), "b"), { kept: 1, now: at(1) });
    const before = readFileSync(file);
    spoil(made);
    expect(() => restore(made, file, at(2))).toThrow(told);
    expect(() => restore(made, file, at(2))).toThrow(made);
    expect(readFileSync(file).equals(before)).toBe(true);
    expect(existsSync(`${file}.restored`)).toBe(false);
  });
});

test("who has signed out since a backup was made is not in again once it is restored", async () => {
  const { file, knex } = await filledDatabase();
  await addSession(knex, "digest", "2027-01-01T00:00:00.000Z", "2026-11-27T05:00:00.000Z");
  const { file: made } = await backup(file, join(freshFolder(), "b"), { kept: 1, now: at(1) });
  await knex.destroy();
  restore(made, file, at(2));
  const after = await openDatabase(file);
  expect(await hasSession(after, "digest", "2026-11-27T05:00:00.000Z")).toBe(false);
  await after.destroy();
});

test("the commands say in a sentence what they did, or why not", async () => {
  const file = await filledFile({ demo: true });
  const programs = { backup: await built("backup"), restore: await built("restore") };
  const run = (command: keyof typeof programs, ...args: string[]) => {
    const env = { ...process.env, NODE_OPTIONS: "", DATABASE: file };
    const all = [programs[command], ...args];
    const { status, stdout, stderr } = spawnSync(process.execPath, all, { cwd: root, env, encoding: "utf8" });
    return { status, said: stdout + stderr };
  };
  const made = run("backup");
  expect(made.status).toBe(0);
  const [, name = ""] = /^Backed up and checked: (\S+\.db)\.\n$/.exec(made.said) ?? [];
  expect(run("restore", join(root, name)).said).toMatch(
    /^Restored and checked: .* What was there before lies in .*\n$/,
  );
  const none = run("restore", "/nowhere.db");
  expect([none.status, none.said.split("\n").length]).toEqual([1, 2]);
  expect(none.said).toContain("/nowhere.db: expected a backup, found no such file");
  expect(run("restore").said).toMatch(/^Name the backup: npm run restore --/);
});
