import type { Request, Response } from "express";
import { HttpProblem } from "./problem.ts";

/** Tells the version of what is sent. */
export function setVersion(response: Response, version: number): void {
  response.set("ETag", `"${version}"`);
}

/** The version the request was made from. 428 without If-Match, 400 where it is no version. */
export function wantedVersion(request: Request): number {
  const header = request.get("If-Match");
  if (header === undefined)
    throw new HttpProblem(
      428,
      "If-Match missing",
      "A change needs If-Match with the ETag the job was read with.",
    );
  const match = /^(?:W\/)?"(\d{1,12})"$/.exec(header.trim());
  if (!match)
    throw new HttpProblem(
      400,
      "If-Match not understood",
      `If-Match: expected an ETag such as "3", found ${JSON.stringify(header)}.`,
    );
  return Number(match[1]);
}
