import { terminalsOf, type BoardProfile } from "@anvilcloud/core";
import type { YamlPlace } from "./yaml-path.ts";

/** The part of JSON Schema that the published schemas use. */
export interface JsonSchema {
  type?: string;
  description?: string;
  properties?: Record<string, JsonSchema>;
  required?: string[];
  additionalProperties?: JsonSchema | boolean;
  propertyNames?: JsonSchema;
  items?: JsonSchema;
  prefixItems?: JsonSchema[];
  anyOf?: JsonSchema[];
  oneOf?: JsonSchema[];
  enum?: (string | number | boolean)[];
  const?: string | number | boolean;
  default?: unknown;
  $ref?: string;
  $defs?: Record<string, JsonSchema>;
}

/** Something that can stand at the cursor. */
export interface Suggestion {
  text: string;
  detail?: string;
  kind: "key" | "value";
}

type Shared = Record<string, JsonSchema>;

/** A schema, or the shared shape it refers to. */
const resolved = (schema: JsonSchema, shared: Shared): JsonSchema =>
  (schema.$ref !== undefined && shared[schema.$ref.split("/").at(-1)!]) || schema;

const alternatives = (given: JsonSchema, shared: Shared): JsonSchema[] => {
  const schema = resolved(given, shared);
  return [...(schema.anyOf ?? []), ...(schema.oneOf ?? [])]
    .flatMap((each) => alternatives(each, shared))
    .concat(schema);
};

function stepInto(schema: JsonSchema, key: string, shared: Shared): JsonSchema[] {
  return alternatives(schema, shared).flatMap((each) => {
    if (key === "[]") return [...(each.items ? [each.items] : []), ...(each.prefixItems ?? []).slice(0, 1)];
    const own = each.properties?.[key];
    if (own) return [own];
    return typeof each.additionalProperties === "object" ? [each.additionalProperties] : [];
  });
}

/** The schemas that hold at a path; several where the format has alternatives. */
function schemasAt(schema: JsonSchema, path: readonly string[]): JsonSchema[] {
  const shared = schema.$defs ?? {};
  return path
    .reduce<JsonSchema[]>((now, key) => now.flatMap((each) => stepInto(each, key, shared)), [schema])
    .flatMap((each) => alternatives(each, shared));
}

function keys(schemas: readonly JsonSchema[], taken: readonly string[]): Suggestion[] {
  const found = new Map<string, Suggestion>();
  for (const schema of schemas) {
    for (const [text, { description }] of Object.entries(schema.properties ?? {}))
      if (!taken.includes(text) && !found.has(text)) {
        const must = schema.required?.includes(text) ? "needed" : "";
        const detail = [must, description].filter(Boolean).join(": ");
        found.set(text, { text, kind: "key", ...(detail ? { detail } : {}) });
      }
    for (const text of schema.propertyNames?.enum ?? [])
      if (!taken.includes(String(text))) found.set(String(text), { text: String(text), kind: "key" });
  }
  return [...found.values()];
}

function values(schemas: readonly JsonSchema[]): Suggestion[] {
  const texts = schemas.flatMap((schema): string[] => {
    if (schema.const !== undefined) return [String(schema.const)];
    if (schema.enum) return schema.enum.map(String);
    return schema.type === "boolean" ? ["true", "false"] : [];
  });
  // A word that YAML might take for something else goes in quotes.
  const quoted = (text: string) => (text === "on" || text === "off" ? `"${text}"` : text);
  return [...new Set(texts)].map((text) => ({ text: quoted(text), kind: "value" }));
}

const ids = (list: readonly { id: string }[]) => list.map((each) => each.id);

/** Ids of the board being written that a key names: terminals, commons, links, keys, inputs, memories and so on. */
function names(board: BoardProfile, { path, key }: YamlPlace): string[] {
  const last = key ?? path.filter((each) => each !== "[]").at(-1);
  switch (last) {
    case "terminal":
    case "terminals":
    case "plus":
    case "minus":
    case "third":
    case "between":
    case "live":
    case "neutral":
    case "earth":
      return path[0] === "blocks" ? [] : terminalsOf(board).map((terminal) => terminal.id);
    case "common":
      return ids(board.commons);
    case "link":
      return ids(board.links);
    case "budget":
      return ids(board.budgets);
    case "closed":
    case "open":
    case "input":
      return path.includes("reactions") && !path.includes("when") ? [] : ids(board.inputs);
    case "learned":
    case "unlearned":
    case "learn":
    case "forget":
    case "add":
    case "drop":
    case "clears":
    case "keeps":
      return ids(board.memories);
    case "key":
    case "keys":
      return path.length > 0 ? ids(board.keys) : [];
    case "menu":
    case "to":
      return ids(board.panel?.menus ?? []);
    case "does":
      return [...ids(board.programs), ...ids(board.procedures)];
    case "instead":
      return ids(board.procedures);
    default:
      return [];
  }
}

/** Everything that can stand at the cursor, by the schema and by what the profile has so far. */
export function suggestions(
  schema: JsonSchema,
  place: YamlPlace,
  board: BoardProfile | undefined,
): Suggestion[] {
  const inList = place.path.at(-1) === "[]";
  const named = board ? names(board, place).map((text): Suggestion => ({ text, kind: "value" })) : [];
  if (place.key !== undefined) return [...values(schemasAt(schema, [...place.path, place.key])), ...named];
  const here = schemasAt(schema, place.path);
  return [...keys(here, place.taken), ...(inList ? [...values(here), ...named] : [])];
}
