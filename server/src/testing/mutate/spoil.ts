import { pick, type Roll } from "./dice.ts";

const odd: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  Number.MAX_SAFE_INTEGER,
  "",
  " ",
  "x".repeat(5_000),
  "__proto__",
  "constructor",
  "=1+1",
  "\u0000",
  "\ud800",
  "\u202e\u200b",
  "'; DROP TABLE jobs; --",
  "../../etc/passwd",
  "NaN",
  [],
  [[[[]]]],
  {},
  { kind: "step" },
  { id: null },
  Array.from({ length: 300 }, (_, at) => at),
];

/** Something that stands nowhere else: it may be changed again. */
const oddOne = (roll: Roll): unknown => structuredClone(pick(roll, odd));

type Tree = Record<string, unknown> | unknown[];
const isTree = (value: unknown): value is Tree => typeof value === "object" && value !== null;

/** A place somewhere in a document, the deeper the likelier. */
function somewhere(roll: Roll, root: Tree): { tree: Tree; key: string } | undefined {
  let tree = root;
  for (;;) {
    const keys = Object.keys(tree);
    if (!keys.length) return undefined;
    const key = pick(roll, keys);
    const next = (tree as Record<string, unknown>)[key];
    if (!isTree(next) || roll() < 0.15) return { tree, key };
    tree = next;
  }
}

/** A document with one to three things in it changed, taken away or added. */
export function spoilDocument(roll: Roll, document: object): object {
  const copy = structuredClone(document) as Tree;
  const times = 1 + Math.floor(roll() * 3);
  for (let n = 0; n < times; n++) {
    const place = somewhere(roll, copy);
    if (!place) continue;
    const { key } = place;
    const tree = place.tree as Record<string, unknown>;
    const act = roll();
    if (act < 0.6) tree[key] = oddOne(roll);
    else if (act < 0.8) Reflect.deleteProperty(tree, key);
    else if (Array.isArray(place.tree))
      place.tree.push(structuredClone(pick(roll, place.tree)), oddOne(roll));
    else tree[pick(roll, ["__proto__x", "more", "id", "kind", "revision", "log"])] = oddOne(roll);
  }
  return copy;
}

/** A text cut, doubled, or with some of its characters exchanged. */
export function spoilText(roll: Roll, text: string): string {
  const at = Math.floor(roll() * text.length);
  const act = roll();
  if (act < 0.3) return text.slice(0, at);
  if (act < 0.4) return text + text.slice(at);
  const instead = pick(roll, [
    "{",
    "}",
    "[",
    "]",
    ":",
    ",",
    '"',
    "&a ",
    "*a",
    "<<: ",
    "\t",
    "\u0000",
    "- ",
    "!!js ",
    "\ufeff",
    "---\n",
  ]);
  return text.slice(0, at) + instead + text.slice(at + Math.floor(roll() * 4));
}
