import { existsSync } from "node:fs";
import { join } from "node:path";
import compression from "compression";
import express, { type Express } from "express";
import helmet from "helmet";
import type { Knex } from "knex";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { boardRoutes } from "./boards.ts";
import { catalogueRoutes } from "./catalogue.ts";
import { jobRoutes } from "./jobs.ts";
import { HttpProblem, problemHandler } from "./problem.ts";

/** What the app is made with. */
export interface AppParts {
  knex: Knex;
  logger: Logger;
  /** Folder of the built web app. */
  web: string;
  now: () => string;
}

/** The HTTP app: the API under /api, everything else is the web app. */
export function createApp({ knex, logger, web, now }: AppParts): Express {
  const app = express();
  app.disable("x-powered-by");
  app.set("etag", false);
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => request.url === "/api/health" } }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // styled-components writes its rules into a style element.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", "data:", "blob:"],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );

  app.use("/api", (_request, response, next) => {
    response.set("Cache-Control", "no-store");
    next();
  });
  app.get("/api/health", async (_request, response) => {
    await knex.raw("SELECT 1");
    response.json({ status: "ok" });
  });
  app.use("/api", boardRoutes(knex), catalogueRoutes(knex), jobRoutes(knex, now));
  app.use("/api", (request) => {
    throw new HttpProblem(
      404,
      "No such address",
      `There is nothing at ${request.method} ${request.originalUrl}.`,
    );
  });

  app.use(compression());
  const page = join(web, "index.html");
  app.use(
    "/assets",
    express.static(join(web, "assets"), { immutable: true, maxAge: "1y", fallthrough: true }),
  );
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
