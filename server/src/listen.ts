import type { Server } from "node:http";
import type { AddressInfo } from "node:net";
import { CannotStart } from "./cannot-start.ts";

/** How long a connection is kept that nothing comes over, ms: whoever reads a step for a minute need not greet anew. */
const keptMs = 75_000;

/** Has a server listen; gives the port, which the system chooses for 0. Throws CannotStart that says by which `name` to choose another. */
export function listen(server: Server, port: number, host: string, name = "PORT"): Promise<number> {
  server.keepAliveTimeout = keptMs;
  return new Promise((resolve, reject) => {
    server.once("error", (error: NodeJS.ErrnoException) => {
      const why =
        error.code === "EADDRINUSE"
          ? `Port ${port} on ${host} is taken. Stop what uses it, or choose another: ${name}=4180 npm run demo`
          : `Cannot listen on ${host}:${port}: ${error.message}`;
      reject(new CannotStart(why, error));
    });
    server.listen(port, host, () => resolve((server.address() as AddressInfo).port));
  });
}
