import { isMap, isPair, isScalar, isSeq, parseDocument, visit, type Node, type Pair } from "yaml";

/** Where the cursor stands in a profile's text: the keys that lead there, and what is being typed. */
export interface YamlPlace {
  /** Keys from the top; a list counts as "[]". */
  path: string[];
  /** The key whose value is being typed; undefined while a key is. */
  key?: string;
  /** What stands before the cursor of the word being typed. */
  word: string;
  /** Where that word begins. */
  from: number;
  /** Keys that stand already beside the one being typed. */
  taken: string[];
}

/** Stands in the text for the word being typed: no profile has it. */
const mark = "cursor-stands-here";

const isMark = (node: unknown): boolean => isScalar(node) && node.value === mark;
const keyText = (pair: Pair): string => (isScalar(pair.key) ? String(pair.key.value) : "");

type Above = readonly (Node | Pair | { contents?: unknown })[];

/** Keys and lists from the top down to a node; a pair counts by its key once its value was entered. */
function pathOf(above: Above): string[] {
  return above.flatMap((node, index) => {
    if (isSeq(node)) return ["[]"];
    return isPair(node) && index < above.length - 1 ? [keyText(node)] : [];
  });
}

/**
 * Reads where the cursor stands: the word being typed is replaced by a mark, and the YAML parser, which makes a tree of
 * half-written text as well, tells where the mark comes to stand.
 */
export function placeAt(text: string, offset: number): YamlPlace {
  const [word = ""] = /[$\w.-]*$/.exec(text.slice(0, offset)) ?? [];
  const from = offset - word.length;
  const place: YamlPlace = { path: [], word, from, taken: [] };
  // A word by itself on its line is a key that has no colon yet.
  const alone = /(^|\n)\s*(- +)*$/.test(text.slice(0, from)) && /^\s*(\n|$)/.test(text.slice(offset));
  const document = parseDocument(`${text.slice(0, from)}${mark}${alone ? ":" : ""}${text.slice(offset)}`, {
    keepSourceTokens: false,
    strict: false,
    uniqueKeys: false,
  });
  visit(document, {
    Pair(_, pair, above) {
      const map = above.at(-1);
      if (isMark(pair.key) && isMap(map)) {
        place.path = pathOf([...above, pair]);
        place.taken = map.items.filter((each) => each !== pair).map(keyText);
        return visit.BREAK;
      }
      if (!isMark(pair.value)) return undefined;
      place.path = pathOf([...above, pair]);
      place.key = keyText(pair);
      return visit.BREAK;
    },
    Scalar(role, node, above) {
      if (!isMark(node) || role === "key" || role === "value") return undefined;
      place.path = pathOf([...above, node]);
      return visit.BREAK;
    },
  });
  return place;
}
