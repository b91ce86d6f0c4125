import { isMap, isScalar, parseDocument, stringify } from "yaml";
import { boardSchema, type BoardProfile } from "./schema/index.ts";

/** The line by which an editor finds the schema of a profile. */
const schemaLine = "# yaml-language-server: $schema=./board.schema.json\n";

/** Keys at the top of a profile that a copy or a new revision gets new values for. */
export interface Heading {
  id?: string;
  name?: string;
  maker?: string;
  revision?: number;
}

function scalarText(value: string | number): string {
  return stringify(value, { lineWidth: 0 }).trimEnd();
}

/**
 * The text of a profile with other values in its heading; every other character, comments and order included, stays as
 * it was written. A key that is missing is put at the head. Text that is no mapping comes back as it is.
 */
export function withHeading(text: string, heading: Heading): string {
  return Object.entries(heading).reduce((now, [key, value]: [string, string | number | undefined]) => {
    if (value === undefined) return now;
    const document = parseDocument(now, { uniqueKeys: false });
    if (!isMap(document.contents)) return now;
    const pair = document.contents.items.find((item) => isScalar(item.key) && item.key.value === key);
    if (!pair) return `${key}: ${scalarText(value)}\n${now}`;
    if (isScalar(pair.value) && pair.value.range) {
      const [from, to] = pair.value.range;
      const quiet = now.slice(from, to).endsWith("\n") ? "\n" : "";
      return `${now.slice(0, from)}${scalarText(value)}${quiet}${now.slice(to)}`;
    }
    return now;
  }, text);
}

/** The heading of a text as far as it can be read; undefined where a key is missing or no scalar. */
export function headingOf(text: string): Heading {
  const document = parseDocument(text, { uniqueKeys: false });
  const read = (key: string): unknown => (isMap(document.contents) ? document.get(key) : undefined);
  const word = (key: string) => {
    const value = read(key);
    return typeof value === "string" ? value : undefined;
  };
  const revision = read("revision");
  const heading: Heading = {};
  for (const key of ["id", "name", "maker"] as const) {
    const value = word(key);
    if (value !== undefined) heading[key] = value;
  }
  if (typeof revision === "number") heading.revision = revision;
  return heading;
}

/** True for what a default gives: it need not be written. */
function isDefault(value: unknown): boolean {
  return (
    (Array.isArray(value) && value.length === 0) ||
    (typeof value === "object" && value !== null && !Array.isArray(value) && Object.keys(value).length === 0)
  );
}

function trimmed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(trimmed);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key, each]) => each !== undefined && !(isDefault(each) && droppable.has(key)))
      .map(([key, each]) => [key, trimmed(each)]),
  );
}

/** Keys whose empty list or mapping is what the format takes for granted. */
const droppable = new Set([
  "commons",
  "budgets",
  "rails",
  "inputs",
  "links",
  "outputs",
  "lamps",
  "dips",
  "slides",
  "jumpers",
  "dials",
  "settings",
  "keys",
  "commits",
  "fixed",
  "behaviours",
  "slots",
  "cards",
  "memories",
  "codes",
  "procedures",
  "guards",
  "ignored",
  "setBy",
  "reactions",
  "needs",
  "clears",
  "keeps",
  "effects",
  "when",
]);

/** A profile as YAML, for one that has no text of its own. What the format takes for granted is left out. */
export function printBoard(board: BoardProfile): string {
  const keys = Object.keys(boardSchema.shape);
  const ordered = Object.fromEntries(
    Object.entries(board).sort(([a], [b]) => keys.indexOf(a) - keys.indexOf(b)),
  );
  return schemaLine + stringify(trimmed(ordered), { lineWidth: 110, aliasDuplicateObjects: false });
}

/** The text a new profile begins with: the least the format asks for, ready to be filled in. */
export function blankBoard(): string {
  return `${schemaLine}format: anvilcloud/board@3
id: my-board
name: My board
maker: Me
revision: 1
firmware: ["1"]
purpose: swing-gate
summary: What it drives and how it is set.
source: { from: seen on site }
leaves: 1
limits: [stops]

supply: { kind: mains, volts: [230], poles: { live: N1, neutral: N2, earth: N3 } }

blocks:
  - { id: N, label: Mains, purpose: mains, pitchMm: 7, terminals: [L, N, PE] }
`;
}
