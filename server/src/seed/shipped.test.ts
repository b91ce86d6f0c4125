import { cpSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import type { BoardProfile, DeviceProfile } from "@anvilcloud/core";
import type { Knex } from "knex";
import { findJob } from "../store/jobs.ts";
import { addOwn, boardRevisions, findProfile, profilesJson } from "../store/profiles.ts";
import { freshFolder } from "../testing/folders.ts";
import { filledDatabase, root } from "../testing/serve.ts";
import { loadShipped } from "./shipped.ts";

let knex: Knex;
beforeEach(async () => {
  ({ knex } = await filledDatabase({ demo: true }));
});
afterEach(() => knex.destroy());

/** What a later version ships: all of today's but these files. */
function laterWithout(...files: string[]): string {
  const later = freshFolder();
  for (const folder of ["boards", "devices", "presets"])
    cpSync(join(root, folder), join(later, folder), { recursive: true });
  for (const file of files) rmSync(join(later, file));
  return later;
}

const listed = async (kind: "board" | "device") =>
  (JSON.parse(await profilesJson(knex, kind)) as (BoardProfile | DeviceProfile)[]).map(({ id }) => id);

describe("a board or device that is shipped no more", () => {
  const gone = "quillmarsh-tandrel";
  const files = [`boards/${gone}.yaml`, "devices/quillmarsh-heron.yaml"];

  test("leaves the lists, is still found by its id, and jobs made with it are as they were", async () => {
    const before = await findJob(knex, "netloft");
    expect(before?.board.id).toBe(gone);
    await loadShipped(knex, laterWithout(...files));
    expect(await listed("board")).not.toContain(gone);
    expect(await listed("device")).not.toContain("quillmarsh-heron");
    expect((await listed("board")).length).toBe(readdirSync(join(root, "boards")).length - 1);
    expect((await findProfile(knex, "board", { id: gone }))?.id).toBe(gone);
    expect(await boardRevisions(knex, gone)).toEqual([{ revision: 2, origin: "retired" }]);
    expect(await findJob(knex, "netloft")).toEqual(before);
  });

  test("comes back with a version that ships it again; what was written here on its id never leaves", async () => {
    const board = (await findProfile(knex, "board", { id: gone }))!;
    await loadShipped(knex, laterWithout(...files));
    await addOwn(knex, "board", { ...board, revision: 3 }, "# mine");
    await loadShipped(knex, laterWithout(...files));
    expect(await listed("board")).toContain(gone);
    await loadShipped(knex, root);
    expect((await boardRevisions(knex, gone)).map(({ origin }) => origin)).toEqual(["own", "shipped"]);
  });
});

test("every shipped file is called by the id within", () => {
  for (const folder of ["boards", "devices", "presets"])
    for (const file of readdirSync(join(root, folder)))
      expect(readFileSync(join(root, folder, file), "utf8")).toContain(
        `\nid: ${file.replace(".yaml", "")}\n`,
      );
});
