import { existsSync } from "node:fs";
import { join } from "node:path";
import type { Whereabouts } from "@anvilcloud/core";
import compression from "compression";
import express, { type Express } from "express";
import staticGzip from "express-static-gzip";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { boardRoutes } from "./boards.ts";
import { catalogueRoutes } from "./catalogue.ts";
import { safeHeaders } from "./guard/headers.ts";
import { onlyHosts } from "./guard/host.ts";
import { onlyOwnPages } from "./guard/origin.ts";
import { healthRoutes } from "./health.ts";
import { bundleRoutes, type BundleParts } from "./bundles.ts";
import { jobRoutes } from "./jobs.ts";
import { logRoutes } from "./log.ts";
import { planRoutes } from "./plan.ts";
import { runRoutes } from "./runs.ts";
import { HttpProblem, problemHandler } from "./problem.ts";
import { whereaboutsRoutes } from "./whereabouts.ts";
import { sessionRoutes } from "./session.ts";

/** What the app is made with. */
export interface AppParts extends BundleParts {
  logger: Logger;
  /** Folder of the built web app. */
  web: string;
  /** Names the server answers to. */
  hosts: readonly string[];
  /** How others reach it; undefined where it listens on its own machine only, and then asks for no passphrase. */
  beyond?: () => Omit<Whereabouts, "code">;
}

const nowhere = () => ({ addresses: [], trust: null });

/** The HTTP app: the API under /api, everything else is the web app. */
export function createApp({ logger, web, hosts, beyond, ...parts }: AppParts): Express {
  const { knex, work, now } = parts;
  const app = express();
  app.disable("x-powered-by");
  app.set("etag", false);
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => request.url === "/api/health" } }));
  app.use(safeHeaders);
  app.use(onlyHosts(hosts));

  app.use("/api", onlyOwnPages, (_request, response, next) => {
    response.set("Cache-Control", "no-store");
    next();
  });
  app.use("/api", healthRoutes(knex));
  app.use("/api", sessionRoutes(knex, { needed: beyond !== undefined }, now));
  app.use("/api", whereaboutsRoutes(beyond ?? nowhere));
  app.use(
    "/api",
    boardRoutes(knex, work),
    catalogueRoutes(knex, work),
    jobRoutes(parts),
    logRoutes(parts),
    bundleRoutes(parts),
    planRoutes(work),
    runRoutes(work),
  );
  app.use("/api", (request) => {
    throw new HttpProblem(
      404,
      "No such address",
      `There is nothing at ${request.method} ${request.originalUrl}.`,
    );
  });

  const page = join(web, "index.html");
  // Scripts and styles lie there packed, as small as it gets: they are sent as they lie.
  app.use(
    "/assets",
    staticGzip(join(web, "assets"), {
      enableBrotli: true,
      orderPreference: ["br", "gz"],
      serveStatic: { immutable: true, maxAge: "1y", fallthrough: true },
    }),
  );
  app.use(compression());
  app.use(express.static(web, { index: false }));
  app.get("/{*path}", (request, response, next) => {
    if (request.path.startsWith("/assets/") || !existsSync(page)) return next();
    response.set("Cache-Control", "no-cache").sendFile(page);
  });
  app.use((request) => {
    throw new HttpProblem(404, "No such address", `There is nothing at ${request.originalUrl}.`);
  });
  app.use(problemHandler);
  return app;
}
