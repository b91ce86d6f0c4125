import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runServer } from "./run-server.ts";

/** Databases that were filled once, for every test to copy: with the demo jobs, and without. */
const folderName = "ANVILCLOUD_E2E_FILLED";

const fileOf = (demo: boolean) => join(process.env[folderName] ?? "", demo ? "demo.db" : "empty.db");

/** A copy of a filled database. */
export function copyFilled(demo: boolean, to: string): void {
  for (const end of ["", "-wal", "-shm"])
    if (existsSync(fileOf(demo) + end)) cpSync(fileOf(demo) + end, to + end);
}

/** Fills both before the tests, and takes them away after. */
export default async function fill(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-e2e-filled-"));
  process.env[folderName] = folder;
  for (const demo of [true, false]) {
    const server = await runServer(fileOf(demo), demo);
    await server.stop();
  }
  return () => rmSync(folder, { recursive: true, force: true });
}
