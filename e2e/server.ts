import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base, type APIResponse, type Page } from "@playwright/test";
import { copyFilled } from "./filled.ts";
import { runServer } from "./run-server.ts";

/** A server on a copy of a filled database, for as long as a test needs it. */
async function onCopy(demo: boolean, use: (address: string) => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-e2e-"));
  const database = join(folder, "test.db");
  copyFilled(demo, database);
  const server = await runServer(database, demo);
  await use(server.address);
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Tests with a server of their own: `demo` holds the demo jobs, `empty` holds none. */
export const test = base.extend<{ demo: string; empty: string }>({
  // Playwright wants the first parameter destructured, even where no other fixture is used.
  demo: ({ browserName: _ }, use) => onCopy(true, use),
  empty: ({ browserName: _ }, use) => onCopy(false, use),
});

export { expect } from "@playwright/test";

/** Asks as the page would, which asks once more where the server has just closed the connection that it was keeping. */
export const read = (page: Page, address: string): Promise<APIResponse> =>
  page.request.get(address, { maxRetries: 3 });
