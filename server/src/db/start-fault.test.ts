import { spawnSync } from "node:child_process";
import { chmodSync, copyFileSync, mkdirSync, readFileSync, truncateSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import Database from "better-sqlite3";
import { freshFolder } from "../testing/folders.ts";
import { built } from "../testing/built.ts";
import { filledFile, root } from "../testing/serve.ts";
import { faultOf } from "./faults.ts";
import { openDatabase } from "./open.ts";
import { startFault } from "./start-fault.ts";

let file: string;
beforeEach(async () => {
  file = await filledFile();
});

/** What a start on the file says. */
async function said(path = file): Promise<string> {
  try {
    await (await openDatabase(path)).destroy();
    return "it starts";
  } catch (error) {
    return startFault(error, path) ?? String(error);
  }
}

/** Overwrites a stretch of the file. */
function spoil(from: number, length: number): void {
  const bytes = readFileSync(file);
  bytes.fill(0xa5, from, from + length);
  writeFileSync(file, bytes);
}

describe("a start on a database that cannot be used", () => {
  const cases: [string, () => void, RegExp][] = [
    [
      "no database at all",
      () => writeFileSync(file, "a shopping list ".repeat(99)),
      /found a file that is no database/,
    ],
    ["one whose beginning is damaged", () => spoil(0, 512), /found a file that is no database/],
    ["one that is damaged further in", () => spoil(4_096 * 20, 4_096 * 30), /found a damaged one/],
    ["one that was cut short", () => truncateSync(file, 4_096 * 40), /found a damaged one/],
    [
      "one that a later version changed",
      () => {
        const later = new Database(file);
        later.exec("INSERT INTO knex_migrations (name, batch) VALUES ('099-much-later', 9)");
        later.close();
      },
      /a later version changed it \(099-much-later\). Start that later version/,
    ],
  ];
  test.each(cases)(
    "%s: says the file, what is wrong and what to do, and leaves it as it is",
    async (_what, make, told) => {
      make();
      const before = readFileSync(file);
      const sentence = await said();
      expect(sentence).toMatch(told);
      expect(sentence.startsWith(`${file}: expected `)).toBe(true);
      expect(sentence).toMatch(/npm run restore|DATABASE/);
      expect(sentence).toMatch(/Nothing in it was changed\.$/);
      expect(sentence).not.toMatch(/delete|remove|\.ts:|at Object/i);
      expect(readFileSync(file).equals(before)).toBe(true);
    },
  );

  test("one that another program holds", async () => {
    const other = new Database(file);
    other.pragma("locking_mode = EXCLUSIVE");
    other.exec("BEGIN EXCLUSIVE");
    expect(await said()).toMatch(/found that another program holds it/);
    other.close();
    expect(await said()).toBe("it starts");
  });

  test("a folder in its place, and a file where its folder should be", async () => {
    expect(await said(dirname(file))).toMatch(/found none that this user may read and write/);
    expect(await said(join(file, "deeper.db"))).toMatch(/found none that this user may read and write/);
  });

  test("one that this user may only read, though the folder is theirs", async () => {
    chmodSync(dirname(file), 0o777);
    chmodSync(file, 0o444);
    // Whoever may do everything is nobody for as long.
    const isRoot = process.getuid?.() === 0;
    if (isRoot) process.seteuid!(65_534);
    try {
      expect(await said()).toMatch(/found a file or a disk that is read-only/);
    } finally {
      if (isRoot) process.seteuid!(0);
    }
  });

  test("what SQLite says of a file it may only read means that", () => {
    const reader = new Database(file, { readonly: true });
    try {
      reader.exec("DELETE FROM jobs");
      throw new Error("it wrote");
    } catch (error) {
      expect(faultOf(error)).toBe("readonly");
      expect(startFault(error, file)).toMatch(/found a file or a disk that is read-only/);
    }
    reader.close();
    expect(faultOf(new Error("other"))).toBeUndefined();
    expect(faultOf(null)).toBeUndefined();
    expect(startFault(new Error("other"), file)).toBeUndefined();
  });
});

describe("the program itself ends with one sentence and no stack", () => {
  const cut = (path: string) => {
    copyFileSync(file, path);
    truncateSync(path, 8_192);
  };
  test.each<[string, Record<string, string>, (path: string) => void, string]>([
    ["on a database that was cut short", {}, cut, "test.db: expected a sound database, found a damaged one."],
    [
      "beyond this machine without a passphrase",
      { HOST: "0.0.0.0" },
      () => undefined,
      "PASSPHRASE: expected a passphrase, found none",
    ],
  ])("%s", async (_what, more, make, told) => {
    const program = await built("main");
    const folder = join(freshFolder(), "data");
    mkdirSync(folder);
    make(join(folder, "test.db"));
    const usual = { NODE_OPTIONS: "", DATABASE: join(folder, "test.db"), PORT: "0", LOG_LEVEL: "silent" };
    const env = { ...process.env, ...usual, ...more };
    const { status, stderr, stdout } = spawnSync(process.execPath, [program], {
      cwd: root,
      env,
      encoding: "utf8",
    });
    expect([status, stdout]).toEqual([1, ""]);
    expect(stderr.trim().split("\n")).toHaveLength(1);
    expect(stderr).toContain(told);
  });
});
