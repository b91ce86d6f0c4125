import express, { Router, type Request, type RequestHandler } from "express";
import { parseJson } from "../work/json.ts";
import { HttpProblem } from "./problem.ts";

/**
 * Reads a JSON body of at most this size as text. What is sent as anything else is refused: a page of another origin can
 * send a form or plain text without asking, but not this type.
 */
export function jsonText(limit: string): Router {
  return Router().use(express.text({ type: "application/json", limit }));
}

/** The text of a request that was read by `jsonText`. */
export function jsonTextOf(request: Request): string {
  if (typeof request.body === "string") return request.body;
  throw new HttpProblem(
    415,
    "Not JSON",
    `Content-Type: expected application/json with a body, found ${JSON.stringify(request.get("Content-Type") ?? "none")}. Send the document as JSON.`,
  );
}

const parse: RequestHandler = (request, _response, next) => {
  request.body = parseJson(jsonTextOf(request));
  next();
};

/** Reads a JSON body of at most this size. Refuses what is no JSON, or has a key that would reach an object's prototype. */
export function jsonBody(limit: string): Router {
  return jsonText(limit).use(parse);
}
