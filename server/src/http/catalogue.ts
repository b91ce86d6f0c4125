import {
  boardSchema,
  bundleSchema,
  deviceSchema,
  jobSchema,
  logEntrySchema,
  parsePreset,
  presetSchema,
  runSchema,
} from "@anvilcloud/core";
import { Router } from "express";
import type { Knex } from "knex";
import { z } from "zod";
import { ownRevisions, profilesJson } from "../store/profiles.ts";
import type { Work } from "../work/pool.ts";
import { whileThere } from "./gone.ts";
import { openapiDocument } from "./openapi.ts";
import { dropOwn, profileText, revisionOf, storeOwn, textOf } from "./own-profile.ts";
import { jsonBody } from "./json-body.ts";
import { HttpProblem } from "./problem.ts";

let made: object | undefined;
/** The description of the interface, made once it is asked for. */
const openapi = () => (made ??= openapiDocument());

const schemas: Record<string, z.ZodType> = {
  board: boardSchema,
  device: deviceSchema,
  job: jobSchema,
  "log-entry": logEntrySchema,
  bundle: bundleSchema,
  preset: presetSchema,
  run: runSchema,
};

/** Largest preset taken, in bytes; many times one with every behaviour there is. */
const largestPreset = "100kb";

const texts = new Map<string, string>();
/** The JSON Schema of a format, made once it is asked for. */
function schemaText(name: string, schema: z.ZodType): string {
  const text = texts.get(name) ?? JSON.stringify(z.toJSONSchema(schema, { io: "input" }), null, 2);
  texts.set(name, text);
  return text;
}

/** Devices, those written here among them, and the JSON Schemas of every format. */
export function catalogueRoutes(knex: Knex, work: Work): Router {
  const routes = Router();

  routes.get("/devices", async (_request, response) => {
    const own = JSON.stringify(await ownRevisions(knex, "device"));
    const devices = await profilesJson(knex, "device");
    response.type("application/json").send(`{"devices":${devices},"own":${own}}`);
  });

  routes.post("/devices", profileText, async (request, response) => {
    const text = textOf(request);
    const device = await work.run("device", text, whileThere(response));
    await storeOwn(knex, "device", device, text);
    response.status(201).location("/api/devices").json(device);
  });

  routes.delete("/devices/:id", async (request, response) => {
    await dropOwn(knex, "device", request.params.id, revisionOf(request));
    response.status(204).end();
  });

  routes.get("/presets", async (_request, response) => {
    const own = JSON.stringify(await ownRevisions(knex, "preset"));
    const presets = await profilesJson(knex, "preset");
    response.type("application/json").send(`{"presets":${presets},"own":${own}}`);
  });

  routes.post("/presets", jsonBody(largestPreset), async (request, response) => {
    const preset = parsePreset(request.body, "the request");
    await storeOwn(knex, "preset", preset, JSON.stringify(preset, null, 2));
    response.status(201).location("/api/presets").json(preset);
  });

  routes.delete("/presets/:id", async (request, response) => {
    await dropOwn(knex, "preset", request.params.id, revisionOf(request));
    response.status(204).end();
  });

  routes.get("/openapi.json", (_request, response) => {
    response.json(openapi());
  });

  routes.get("/schemas/:name", (request, response) => {
    const name = request.params.name.replace(/\.json$/, "");
    const schema = Object.hasOwn(schemas, name) ? schemas[name] : undefined;
    if (!schema)
      throw new HttpProblem(
        404,
        "No such schema",
        `There is no schema ${JSON.stringify(name)}; there are ${Object.keys(schemas).join(", ")}.`,
      );
    response.type("application/schema+json").send(schemaText(name, schema));
  });

  return routes;
}
