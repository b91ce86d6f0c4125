import type { Request } from "express";
import { HttpProblem } from "./problem.ts";

/** What is sent as another type than the one an address takes. */
export const wrongType = (request: Request, type: string): HttpProblem =>
  new HttpProblem(
    415,
    "Another type is taken here",
    `Content-Type: expected ${type} with a body, found ${JSON.stringify(request.get("Content-Type") ?? "none")}. Send it as what it is.`,
  );

/** The text of a request that was read as this type; anything else is refused. */
export function textSentAs(request: Request, type: string): string {
  if (typeof request.body === "string") return request.body;
  throw wrongType(request, type);
}
