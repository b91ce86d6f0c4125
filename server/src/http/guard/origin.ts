import type { Request, RequestHandler } from "express";
import { HttpProblem } from "../problem.ts";

const reading = new Set(["GET", "HEAD"]);

function ownOrigin(request: Request): string {
  return `${request.protocol}://${request.headers.host}`.toLowerCase();
}

/**
 * Lets a browser ask and change only from pages of this server. Browsers say by themselves, in headers no page can
 * write, where a request comes from: Sec-Fetch-Site (Fetch Metadata, W3C) and Origin (RFC 6454, Fetch). Programs that
 * are no browsers send neither, and are no page's tool.
 */
export const onlyOwnPages: RequestHandler = (request, _response, next) => {
  const site = request.get("Sec-Fetch-Site");
  const origin = request.get("Origin");
  // "none" is what someone asks for by hand, at the address bar: that reads only.
  const sites = reading.has(request.method) ? ["same-origin", "none"] : ["same-origin"];
  const foreignSite = site !== undefined && !sites.includes(site);
  const foreignOrigin = origin !== undefined && origin.toLowerCase() !== ownOrigin(request);
  if (!foreignSite && !foreignOrigin) return next();
  const found = foreignOrigin ? `Origin: ${origin}` : `Sec-Fetch-Site: ${site}`;
  throw new HttpProblem(
    403,
    "Another page's request",
    `Expected a request of a page of this server, found one of another (${found}). Open Anvilcloud itself, and do it there.`,
  );
};
