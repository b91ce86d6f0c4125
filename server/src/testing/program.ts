import { spawn, type ChildProcess } from "node:child_process";
import { built } from "./built.ts";
import { root } from "./serve.ts";

/** Starts the real program on a database and waits for its address. */
export async function start(database: string): Promise<{ process: ChildProcess; address: string }> {
  const child = spawn(process.execPath, [await built("main")], {
    env: { ...process.env, NODE_OPTIONS: "", DATABASE: database, PORT: "0", DEMO: "1", LOG_LEVEL: "silent" },
    cwd: root,
    stdio: ["ignore", "pipe", "inherit"],
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout?.on("data", (chunk: Buffer) => {
      const match = /http:\/\/\S+/.exec(chunk.toString());
      if (match) resolve(match[0]);
    });
  });
  return { process: child, address };
}

/** When a program has ended, with its code. */
export const ended = (child: ChildProcess) =>
  new Promise<number | null>((resolve) => child.once("exit", (code) => resolve(code)));
