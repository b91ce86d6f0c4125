import express, { Router, type RequestHandler } from "express";
import secureJson from "secure-json-parse";
import { HttpProblem } from "./problem.ts";

/**
 * Reads a JSON body of at most this size. One that is no JSON, or has a key that would reach an object's prototype, is
 * refused: the schemas would drop such a key without a word.
 */
export function jsonBody(limit: string): Router {
  const asText = express.text({ type: "application/json", limit });
  const parse: RequestHandler = (request, _response, next) => {
    if (typeof request.body === "string")
      try {
        request.body = secureJson.parse(request.body, null, { constructorAction: "error" }) as unknown;
      } catch {
        throw new HttpProblem(
          400,
          "Not JSON",
          "The body is not well-formed JSON, or has a key named __proto__. Correct it and send it again.",
        );
      }
    next();
  };
  return Router().use(asText, parse);
}
