import type { Request, RequestHandler } from "express";
import { HttpProblem } from "../problem.ts";

/** Names by which a machine calls itself. */
export const loopbackNames: readonly string[] = ["localhost", "127.0.0.1", "[::1]"];

/** The name in a Host header as a browser would write it: small letters, no port, no dot at its end; undefined for none. */
export function hostName(host: string | undefined): string | undefined {
  if (!host || /[\s/\\@?#]/.test(host)) return undefined;
  try {
    return new URL(`http://${host}`).hostname.replace(/\.$/, "");
  } catch {
    return undefined;
  }
}

/** The address at which a request arrived, as a browser would write it. */
function arrivedAt(request: Request): string | undefined {
  const address = request.socket.localAddress?.replace(/^::ffff:/, "");
  return hostName(address?.includes(":") ? `[${address}]` : address);
}

/**
 * Answers only where a request names this server: by one of its names, of which the first part may be a star, or by the
 * address it arrived at. A page that has its own name lead here reads and changes nothing that way.
 */
export function onlyHosts(names: readonly string[]): RequestHandler {
  const known = new Set(names.map((name) => hostName(name) ?? name));
  return (request, _response, next) => {
    const name = hostName(request.headers.host);
    const isKnown = (each: string) => known.has(each) || known.has(each.replace(/^[^.]+/, "*"));
    if (name !== undefined && (isKnown(name) || name === arrivedAt(request))) return next();
    throw new HttpProblem(
      421,
      "Not this server",
      `Host: expected ${[...known].join(" or ")}, found ${JSON.stringify(request.headers.host ?? "none")}. Open Anvilcloud at an address of its own.`,
    );
  };
}
