import { rmSync } from "node:fs";
import { join } from "node:path";
import { root } from "./serve.ts";

/** Beside the folder of the built server, so that packages and shipped data are found from it as from there. */
const folder = join(root, `server/dist-${process.pid}`);

let building: Promise<unknown> | undefined;

/** The commands that are run at a terminal. */
const commands = ["../scripts/backup.ts", "../scripts/restore.ts"];

/**
 * The built program, its worker, or a command, of these sources: built once, for to translate them at each start takes most
 * of a test.
 */
export async function built(name: "main" | "worker" | "backup" | "restore"): Promise<string> {
  building ??= import("../../build.mjs").then(({ buildServer }) => buildServer(folder, commands));
  await building;
  return join(folder, `${name}.js`);
}

afterAll(() => rmSync(folder, { recursive: true, force: true }));
