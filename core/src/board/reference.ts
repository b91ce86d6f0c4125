import { z } from "zod";
import { sentence } from "../quantity/index.ts";
import { behaviour, behaviourIds } from "./behaviour.ts";
import { boardSchema } from "./schema/index.ts";

/** The part of JSON Schema that the format's own schema uses. */
interface Schema {
  type?: string;
  description?: string;
  properties?: Record<string, Schema>;
  required?: string[];
  additionalProperties?: Schema | boolean;
  items?: Schema;
  prefixItems?: Schema[];
  anyOf?: Schema[];
  enum?: (string | number)[];
  const?: unknown;
  default?: unknown;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  minItems?: number;
  maxItems?: number;
  $ref?: string;
  $defs?: Record<string, Schema>;
}

/** The published JSON Schema of a board profile. */
export function boardJsonSchema(): object {
  return z.toJSONSchema(boardSchema, { io: "input" });
}

const plain = (value: unknown) => `\`${typeof value === "string" ? value : JSON.stringify(value)}\``;
const cell = (text: string) => text.replace(/\|/g, "\\|").replace(/\n/g, " ");

function range({ minimum, maximum, exclusiveMinimum }: Schema): string {
  const from = exclusiveMinimum === undefined ? minimum : exclusiveMinimum;
  const least =
    from === undefined || from < -1e9
      ? ""
      : exclusiveMinimum === undefined
        ? ` from ${from}`
        : ` over ${from}`;
  return `${least}${maximum === undefined || maximum > 1e9 ? "" : ` to ${maximum}`}`;
}

/** Shapes that stand in many places and have a section of their own. */
const shared: Record<string, string> = {
  condition: "[a condition](#conditions)",
  gesture: "[a gesture](#gestures)",
  phase: "[a phase](#phases)",
};
/** The shared shape that a schema refers to; undefined where it is one of its own. */
const sharedName = ({ $ref }: Schema) => $ref?.split("/").at(-1);
const isAdds = ({ properties }: Schema) =>
  Boolean(properties?.blocks && properties.memories && !properties.format);

/** What a key takes, in words. */
function takes(schema: Schema): string {
  const name = sharedName(schema);
  if (name !== undefined) return shared[name] ?? name;
  if (isAdds(schema)) return "the same lists as a profile's own";
  if (schema.const !== undefined) return plain(schema.const);
  if (schema.enum)
    return schema.enum.length > 40 ? "a behaviour (listed below)" : schema.enum.map(plain).join(", ");
  if (schema.anyOf) return [...new Set(schema.anyOf.map(takes))].join(", or ");
  if (schema.prefixItems) return `a pair: ${schema.prefixItems.map(takes).join(" and ")}`;
  switch (schema.type) {
    case "string":
      return "a text";
    case "boolean":
      return "`true` or `false`";
    case "number":
    case "integer":
      return `a ${schema.type === "integer" ? "whole " : ""}number${range(schema)}`;
    case "array":
      return `a list of ${
        schema.items
          ? takes(schema.items)
              .replace(/^an? (whole )?(text|number|mapping|behaviour)/, "$1$2s")
              .replace(/^\[an? (condition|gesture|phase)\]/, "[$1s]")
          : "anything"
      }`;
    case "object":
      return schema.properties ? "a mapping" : "a mapping of names to values";
    default:
      return "anything";
  }
}

/** The mappings inside a schema that have keys of their own, with how they are reached. */
function inner(schema: Schema, path: string): { path: string; schema: Schema }[] {
  if (sharedName(schema) !== undefined || isAdds(schema)) return [];
  if (schema.properties) return [{ path, schema }];
  if (schema.items) return inner(schema.items, `${path}[]`);
  return (schema.anyOf ?? []).flatMap((each) => inner(each, path));
}

function rows(schema: Schema, path: string): string[] {
  return Object.entries(schema.properties ?? {}).flatMap(([key, value]) => {
    const needed = schema.required?.includes(key) ?? false;
    const fallback = value.default === undefined ? "" : JSON.stringify(value.default);
    const name = path ? `${path}.${key}` : key;
    const without = needed
      ? "needed"
      : fallback && fallback !== "[]" && fallback !== "{}"
        ? `\`${fallback}\``
        : "";
    return [
      `| \`${name}\` | ${cell(takes(value))} | ${cell(without)} | ${cell(value.description ?? "")} |`,
      ...inner(value, name).flatMap((each) => rows(each.schema, each.path)),
    ];
  });
}

const tableHead = "| key | takes | left out | what it says |\n| --- | --- | --- | --- |";

function section(key: string, value: Schema): string {
  const parts = inner(value, key);
  const text = value.description ?? parts[0]?.schema.description ?? "";
  const table = parts.flatMap((each) => rows(each.schema, each.path));
  return [`### ${key}`, ...(text ? [text] : []), [tableHead, ...table].join("\n")].join("\n\n");
}

function behaviourTable(): string {
  const lines = behaviourIds.map((id) => {
    const { label, type, unit, choices } = behaviour(id);
    const values =
      type === "switch"
        ? "`true`, `false`"
        : type === "number"
          ? `a number${unit ? `, ${unit}` : ""}`
          : Object.entries(choices ?? {})
              .map(([word, text]) => `\`${word}\` ${text}`)
              .join("; ");
    return `| \`${id}\` | ${cell(label)} | ${cell(values)} |`;
  });
  return ["| behaviour | what it is | values |", "| --- | --- | --- |", ...lines].join("\n");
}

const sharedShape = (name: string): Schema => (boardJsonSchema() as Schema).$defs![name]!;

function gestureTable(): string {
  const { anyOf = [] } = sharedShape("gesture");
  const lines = anyOf.map((each) => {
    const [name = "", value = {}] = Object.entries(each.properties ?? {})[0] ?? [];
    const keys = value.properties
      ? Object.entries(value.properties)
          .map(
            ([key, inside]) =>
              `\`${key}\` ${takes(inside)}${value.required?.includes(key) ? "" : ", may be left out"}`,
          )
          .join("; ")
      : takes(value);
    return `| \`${name}\` | ${cell(keys)} | ${cell(each.description ?? "")} |`;
  });
  return ["| gesture | takes | what is done |", "| --- | --- | --- |", ...lines].join("\n");
}

/** The reference of a format's keys, made from the descriptions in its JSON Schema: those at the top, then each list and mapping. */
export function formatKeys(schema: object): string[] {
  const properties = Object.entries((schema as Schema).properties ?? {});
  const simple = properties.filter(([key, value]) => inner(value, key).length === 0);
  const mappings = properties.filter(([key, value]) => inner(value, key).length > 0);
  const top: Schema = { ...schema, properties: Object.fromEntries(simple) };
  return [
    "## Keys at the top",
    [tableHead, ...rows(top, "")].join("\n"),
    "## Everything else",
    ...mappings.map(([key, value]) => section(key, value)),
  ];
}

/** The reference page of the board format, made from the descriptions in its schema, with `example` as its worked example. */
export function boardReference(example: string): string {
  return `${[
    "# Board profiles: `anvilcloud/board@3`",
    "<!-- Made by `npm run reference` from the schema itself. Change the schema, not this page. -->",
    "One YAML file describes one board. Whatever has a default may be left out; places on the face may be left out and the program finds them. Comments stay where they are written. Pieces that repeat are marked with `&name` and used again as `*name`, or merged with `<<: *name`.",
    "Save [the schema](board.schema.json) beside a file and begin it with `# yaml-language-server: $schema=./board.schema.json`, and most editors complete and check it. The app's own editor does so without.",
    "Beyond the schema a profile must not contradict itself: everything it names must be there, every menu must have a way in and a way out, every learn must end, every protection input must be satisfiable while nothing is wired to it, and nothing may lie on anything else on the face.",
    "## A worked example",
    "A small board is a small file. This one drives one window:",
    `\`\`\`yaml\n${example.trimEnd()}\n\`\`\``,
    ...formatKeys(boardJsonSchema()),
    "## Conditions",
    [tableHead, ...rows(sharedShape("condition"), "")].join("\n"),
    "## Phases",
    "What a program does, one after the other; each names one of these, and `when`, `until`, `speed`, `leaves`, `seconds`, `long` beside it where they belong to it.",
    [tableHead, ...rows(sharedShape("phase"), "")].join("\n"),
    "## Gestures",
    gestureTable(),
    "## Behaviours",
    `${sentence("what an installer decides")}, whatever the board calls it. Controls are tied to these ids by \`sets\`.`,
    behaviourTable(),
  ].join("\n\n")}\n`;
}
