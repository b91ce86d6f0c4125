import express, { Router, type Request, type RequestHandler } from "express";
import { parseJson } from "../work/json.ts";
import { textSentAs } from "./media-type.ts";

/**
 * Reads a JSON body of at most this size as text. What is sent as anything else is refused: a page of another origin can
 * send a form or plain text without asking, but not this type.
 */
export function jsonText(limit: string): Router {
  return Router().use(express.text({ type: "application/json", limit }));
}

/** The text of a request that was read by `jsonText`. */
export const jsonTextOf = (request: Request): string => textSentAs(request, "application/json");

const parse: RequestHandler = (request, _response, next) => {
  request.body = parseJson(jsonTextOf(request));
  next();
};

/** Reads a JSON body of at most this size. Refuses what is no JSON, or has a key that would reach an object's prototype. */
export function jsonBody(limit: string): Router {
  return jsonText(limit).use(parse);
}
