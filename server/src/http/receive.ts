import { createWriteStream } from "node:fs";
import type { IncomingMessage } from "node:http";
import { HttpProblem } from "./problem.ts";

/** How quickly a body has to come on the whole, once it has had a while to begin. */
export interface Pace {
  graceMs: number;
  leastBytesPerS: number;
}

/** A phone at the edge of a mobile net sends faster; who sends slower keeps others from sending. */
const usualPace: Pace = { graceMs: 20_000, leastBytesPerS: 10_000 };

/** How often it is looked at how much has come, ms. */
const lookMs = 500;

export const tooLarge = (most: number) =>
  new HttpProblem(413, "Body too large", `The body may have at most ${most} bytes. Send less.`);

const cutShort = () => new HttpProblem(400, "Body cut short", "The body ended too soon. Send it again.");

const tooSlow = ({ leastBytesPerS }: Pace) =>
  new HttpProblem(
    408,
    "Body too slow",
    `The body has to come with at least ${leastBytesPerS} bytes a second. Nothing was imported; send it again over a better line.`,
  );

/**
 * Writes a body to a file. What cannot be written is read to its end all the same: only then does the answer arrive.
 * Throws HttpProblem for a body that is too large, ends too soon, or comes too slowly; whoever has gone before it is called
 * has ended too soon as well.
 */
export function receive(
  body: IncomingMessage,
  file: string,
  most: number,
  pace: Pace = usualPace,
): Promise<void> {
  return new Promise((resolve, reject) => {
    if (body.destroyed) return reject(cutShort());
    const out = createWriteStream(file, { mode: 0o600 });
    const begun = performance.now();
    let length = 0;
    const settle = () => clearInterval(watch);
    const fail = (error: Error) => {
      settle();
      body.unpipe(out);
      body.resume();
      out.destroy();
      reject(error);
    };
    const watch = setInterval(
      () => {
        const seconds = (performance.now() - begun - pace.graceMs) / 1_000;
        if (!body.complete && length < seconds * pace.leastBytesPerS) fail(tooSlow(pace));
      },
      Math.min(lookMs, pace.graceMs),
    );
    body.on("data", (chunk: Buffer) => {
      length += chunk.length;
      if (length > most) fail(tooLarge(most));
    });
    body.once("close", () => {
      if (!body.complete) fail(cutShort());
    });
    out.once("error", fail);
    out.once("finish", () => {
      settle();
      resolve();
    });
    body.pipe(out);
  });
}
