import { spawn, type ChildProcess } from "node:child_process";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

const root = resolve(fileURLToPath(new URL(".", import.meta.url)), "..");

/** The built server on a database, with or without the demo jobs, at a port of its own. */
export async function runServer(
  database: string,
  demo: boolean,
): Promise<{ address: string; stop: () => Promise<void> }> {
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
    const ended = new Promise((over) => child.once("exit", over));
    child.kill("SIGTERM");
    await ended;
  };
  return { address, stop };
}
