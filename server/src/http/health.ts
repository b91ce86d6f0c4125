import { Router } from "express";
import type { Knex } from "knex";
import { faultOf } from "../db/faults.ts";

/** Whether the server lives: it answers whatever the database does, and says what that does. */
export function healthRoutes(knex: Knex): Router {
  const routes = Router();
  routes.get("/health", async (_request, response) => {
    let database = "ok";
    try {
      await knex.raw("SELECT 1 FROM jobs LIMIT 1");
    } catch (error) {
      database = faultOf(error) === "busy" ? "in-use" : "failing";
    }
    response.json({ status: "ok", database });
  });
  return routes;
}
