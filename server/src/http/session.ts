import { createHash, randomBytes } from "node:crypto";
import { newSessionSchema, parseWith } from "@anvilcloud/core";
import { parseCookie } from "cookie";
import { Router, type Request, type RequestHandler, type Response } from "express";
import { rateLimit } from "express-rate-limit";
import type { Knex } from "knex";
import { isPassphrase } from "../access/passphrase.ts";
import { addSession, endSession, hasSession, passphraseHash } from "../store/access.ts";
import { jsonBody } from "./json-body.ts";
import { HttpProblem } from "./problem.ts";

/** Bound to this host and to TLS by its name alone (RFC 6265bis, cookie prefixes). */
const cookieName = "__Host-anvilcloud";
const cookieKind = { httpOnly: true, secure: true, sameSite: "strict", path: "/" } as const;

/** How long one stays signed in, ms. */
const sessionMs = 30 * 86_400_000;

/** Wrong passphrases taken from one address, and from all together, within a quarter of an hour. */
const attempts = { one: 10, all: 200, withinMs: 15 * 60_000 };

const tokenBytes = 32;

/** What is kept of a token: whoever reads the database cannot sign in with it. */
const digestOf = (token: string) => createHash("sha256").update(token).digest("hex");

function tokenOf(request: Request): string | undefined {
  return parseCookie(request.headers.cookie ?? "")[cookieName];
}

function limited(most: number, key?: () => string): RequestHandler {
  return rateLimit({
    windowMs: attempts.withinMs,
    limit: most,
    skipSuccessfulRequests: true,
    standardHeaders: false,
    legacyHeaders: false,
    // No proxy is trusted, so what a header claims of one is nobody's concern.
    validate: false,
    ...(key ? { keyGenerator: key } : {}),
    handler: () => {
      throw new HttpProblem(
        429,
        "Too many attempts",
        "Too many wrong passphrases. Wait a quarter of an hour, then try again.",
        { retryAfter: attempts.withinMs / 1_000 },
      );
    },
  });
}

/** Who may ask: anyone who reaches the server, or who gave the passphrase. */
export interface Access {
  needed: boolean;
}

/** Signing in and out, and the guard of everything that comes after it. */
export function sessionRoutes(knex: Knex, { needed }: Access, now: () => string): Router {
  const routes = Router();
  const isSignedIn = async (request: Request) => {
    const token = tokenOf(request);
    return token !== undefined && (await hasSession(knex, digestOf(token), now()));
  };

  routes.get("/session", async (request, response) => {
    const signIn = needed ? ((await isSignedIn(request)) ? "done" : "needed") : "not-needed";
    response.json({ signIn });
  });

  const begin = async (request: Request, response: Response) => {
    const { passphrase } = parseWith(newSessionSchema, request.body, "request");
    const hash = await passphraseHash(knex);
    if (!needed || hash === undefined)
      throw new HttpProblem(409, "No passphrase here", "This server asks for no passphrase.");
    if (!(await isPassphrase(passphrase, hash)))
      throw new HttpProblem(403, "Wrong passphrase", "This is not the passphrase. Type it again.");
    const token = randomBytes(tokenBytes).toString("base64url");
    const until = new Date(Date.parse(now()) + sessionMs).toISOString();
    await addSession(knex, digestOf(token), until, now());
    response
      .cookie(cookieName, token, { ...cookieKind, maxAge: sessionMs })
      .status(204)
      .end();
  };
  routes.post(
    "/session",
    limited(attempts.one),
    limited(attempts.all, () => "all"),
    jsonBody("8kb"),
    begin,
  );

  routes.delete("/session", async (request, response) => {
    const token = tokenOf(request);
    if (token !== undefined) await endSession(knex, digestOf(token));
    response.clearCookie(cookieName, cookieKind).status(204).end();
  });

  routes.use(async (request, _response, next) => {
    if (!needed || (await isSignedIn(request))) return next();
    throw new HttpProblem(
      401,
      "Sign in first",
      "This server asks for its passphrase before it shows anything.",
    );
  });

  return routes;
}
