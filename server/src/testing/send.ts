import { Agent, request } from "node:http";
import type { Sent } from "./mutate/index.ts";

/** What came back; status 0 where the connection was closed without an answer, as it is for what is no HTTP. */
export interface Answer {
  status: number;
  retryAfter?: string;
  text: string;
}

const agent = new Agent({ keepAlive: true });

/** Sends a request as it is, headers and all. */
export function send(address: string, { method, path, headers, body }: Sent): Promise<Answer> {
  return new Promise((answered) => {
    const { hostname, port } = new URL(address);
    try {
      const asked = request({ hostname, port, method, path, headers, agent }, (response) => {
        let text = "";
        response.setEncoding("utf8");
        response.on("data", (part: string) => (text += part));
        response.on("end", () =>
          answered({ status: response.statusCode ?? 0, retryAfter: response.headers["retry-after"], text }),
        );
        response.on("error", () => answered({ status: response.statusCode ?? 0, text }));
      });
      asked.on("error", (error) => answered({ status: 0, text: error.message }));
      asked.end(body);
    } catch (error) {
      // Node sends no such path or header.
      answered({ status: 0, text: (error as Error).message });
    }
  });
}
