import { spawn, type ChildProcess } from "node:child_process";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

const root = resolve(fileURLToPath(new URL(".", import.meta.url)), "..");

/** A server that runs, and the ways to end it: as it should be, or in the middle of what it does. */
export interface RunningServer {
  address: string;
  stop: () => Promise<void>;
  kill: () => void;
  ended: Promise<unknown>;
}

/** The built server on a database, with or without the demo jobs, at a port of its own; with more in its environment where that is given. */
export async function runServer(
  database: string,
  demo: boolean,
  more: NodeJS.ProcessEnv = {},
): Promise<RunningServer> {
  const child: ChildProcess = spawn(process.execPath, [join(root, "server/dist/main.js")], {
    cwd: root,
    env: {
      ...process.env,
      PORT: "0",
      DATABASE: database,
      DEMO: demo ? "1" : "0",
      LOG_LEVEL: "error",
      ...more,
    },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const address = await new Promise<string>((found, lost) => {
    child.once("exit", (code) => lost(new Error(`the server ended with ${code}`)));
    child.stdout?.on("data", (chunk: Buffer) => {
      const match = /https?:\/\/\S+/.exec(chunk.toString());
      if (match) found(match[0]);
    });
  });
  const ended = new Promise((over) => child.once("exit", over));
  const stop = async () => {
    child.kill("SIGTERM");
    await ended;
  };
  return { address, stop, kill: () => child.kill("SIGKILL"), ended };
}
