import { pathParameter, problemSchema, routes, type Route } from "@anvilcloud/core";
import { OpenApiGeneratorV31, OpenAPIRegistry } from "@asteasolutions/zod-to-openapi";
import { z } from "zod";

const problem = {
  description: "What is wrong, as problem details (RFC 9457).",
  content: { "application/problem+json": { schema: problemSchema } },
};

const textBody = { "application/yaml": { schema: z.string() } };

const lineBody = { "application/x-ndjson": { schema: z.string() } };

type Body = NonNullable<Route["answers"][number]>;

const contentOf = (body: Body) =>
  body === "yaml" ? textBody : body === "ndjson" ? lineBody : { "application/json": { schema: body } };

function register(registry: OpenAPIRegistry, route: Route): void {
  const { method, path, says, query, takes, versioned, answers, refuses = {} } = route;
  const names = [...path.matchAll(/\{(\w+)\}/g)].map(([, name = ""]) => name);
  const good = Object.entries(answers).map(([status, body]) => [
    status,
    {
      description: "All is well.",
      ...(body === undefined ? {} : { content: contentOf(body) }),
    },
  ]);
  const bad = Object.entries(refuses).map(([status, description]) => [status, { ...problem, description }]);
  registry.registerPath({
    method,
    path,
    summary: says,
    request: {
      ...(names.length
        ? { params: z.object(Object.fromEntries(names.map((name) => [name, pathParameter]))) }
        : {}),
      ...(query ? { query } : {}),
      ...(versioned ? { headers: z.object({ "If-Match": z.string() }) } : {}),
      ...(takes ? { body: { content: contentOf(takes) } } : {}),
    },
    responses: { ...Object.fromEntries(good), ...Object.fromEntries(bad), default: problem },
  });
}

/** The description of the HTTP interface, made from the contract that server and page share. */
export function openapiDocument(): object {
  const registry = new OpenAPIRegistry();
  for (const route of routes) register(registry, route);
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: "3.1.0",
    info: { title: "Anvilcloud", version: "1" },
  });
}
