import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const made: string[] = [];

/** A folder of its own for one test; taken away once its file is done. */
export function freshFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-"));
  made.push(folder);
  return folder;
}

afterAll(() => {
  for (const folder of made.splice(0)) rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
});
