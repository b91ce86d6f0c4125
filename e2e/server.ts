import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { test as base } from "@playwright/test";

const root = resolve(fileURLToPath(new URL(".", import.meta.url)), "..");

/** Starts the built server on a database of its own, with or without the demo jobs. */
async function startServer(demo: boolean): Promise<{ address: string; stop: () => Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-e2e-"));
  const database = join(folder, "test.db");
  const child: ChildProcess = spawn(process.execPath, [join(root, "server/dist/main.js")], {
    cwd: root,
    env: { ...process.env, PORT: "0", DATABASE: database, DEMO: demo ? "1" : "0", LOG_LEVEL: "error" },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const address = await new Promise<string>((found, lost) => {
    child.once("exit", (code) => lost(new Error(`the server ended with ${code}`)));
    child.stdout?.on("data", (chunk: Buffer) => {
      const match = /http:\/\/\S+/.exec(chunk.toString());
      if (match) found(match[0]);
    });
  });
  const stop = async () => {
    const ended = new Promise((resolve) => child.once("exit", resolve));
    child.kill("SIGTERM");
    await ended;
    rmSync(folder, { recursive: true, force: true });
  };
  return { address, stop };
}

/** Tests with a server of their own: `demo` holds the demo jobs, `empty` holds none. */
export const test = base.extend<{ demo: string; empty: string }>({
  // Playwright wants the first parameter destructured, even where no other fixture is used.
  demo: async ({ browserName: _ }, use) => {
    const server = await startServer(true);
    await use(server.address);
    await server.stop();
  },
  empty: async ({ browserName: _ }, use) => {
    const server = await startServer(false);
    await use(server.address);
    await server.stop();
  },
});

export { expect } from "@playwright/test";
