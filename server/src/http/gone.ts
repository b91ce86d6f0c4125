import type { Response } from "express";

/** A signal that is raised when whoever asked has gone before the answer: nobody waits for what was begun. */
export function whileThere(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once("close", () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
}
