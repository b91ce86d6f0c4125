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

interface Line {
  indent: number;
  /** How many list dashes begin the line, each with its own indent. */
  dashes: number[];
  key?: string;
  text: string;
}

function lineOf(text: string): Line {
  const dashes: number[] = [];
  let rest = text;
  let indent = 0;
  for (let match = /^( *)(- +|-$)?/.exec(rest); match; match = /^( *)(- +|-$)?/.exec(rest)) {
    indent += match[1]!.length;
    if (!match[2]) {
      rest = rest.slice(match[1]!.length);
      break;
    }
    dashes.push(indent);
    indent += match[2].length;
    rest = rest.slice(match[1]!.length + match[2].length);
  }
  const key = /^("?)([$\w-]+)\1:(\s|$)/.exec(rest)?.[2];
  return { indent, dashes, ...(key === undefined ? {} : { key }), text: rest };
}

/** The keys above a line, by indentation: each line that is less indented and has a key leads one level up. */
function outerPath(lines: readonly Line[], indent: number, dashes: readonly number[]): string[] {
  const path: string[] = [];
  let edge = indent;
  let own = [...dashes];
  /** True right inside a list, whose dashes may stand at the indent of its key. */
  let inList = false;
  const enterLists = () => {
    while (own.length && own[own.length - 1]! < edge) {
      path.unshift("[]");
      edge = own.pop()!;
      inList = true;
    }
  };
  enterLists();
  for (const line of [...lines].reverse()) {
    if ((line.text === "" && !line.dashes.length) || line.text.startsWith("#")) continue;
    const outside = line.indent < edge || (inList && line.indent === edge && !line.dashes.length);
    if (line.key !== undefined && outside) {
      path.unshift(line.key);
      edge = line.indent;
      inList = false;
    }
    if (line.indent <= edge && line.dashes.length) {
      own = line.dashes.filter((dash) => dash < edge);
      enterLists();
    }
  }
  return path;
}

/** What is open in a flow mapping on the line: the keys and brackets from the left that are not closed before the cursor. */
function flowPath(text: string): { path: string[]; rest: string; start: number; taken: string[] } | undefined {
  const stack: { opens: string; key?: string; from: number; taken: string[] }[] = [];
  let key: string | undefined;
  for (let at = 0; at < text.length; at++) {
    const character = text[at]!;
    if (character === '"') {
      const end = text.indexOf('"', at + 1);
      if (end < 0) break;
      at = end;
    } else if (character === "{" || character === "[") {
      stack.push({ opens: character, ...(key === undefined ? {} : { key }), from: at + 1, taken: [] });
      key = undefined;
    } else if (character === "}" || character === "]") {
      stack.pop();
    } else if (character === ",") {
      key = undefined;
      if (stack.length) stack[stack.length - 1]!.from = at + 1;
    } else if (character === ":" && /\s|$/.test(text[at + 1] ?? " ")) {
      key = /([$\w-]+)"?$/.exec(text.slice(0, at))?.[1];
      if (key !== undefined) stack[stack.length - 1]?.taken.push(key);
    }
  }
  const last = stack[stack.length - 1];
  if (!last) return undefined;
  const path = stack.flatMap((each) => [...(each.key === undefined ? [] : [each.key]), ...(each.opens === "[" ? ["[]"] : [])]);
  return { path, rest: text.slice(last.from), start: last.from, taken: last.taken };
}

/** Keys of the same block that stand above and below the line. */
function siblings(before: readonly Line[], after: readonly Line[], indent: number): string[] {
  const taken: string[] = [];
  for (const lines of [[...before].reverse(), after])
    for (const line of lines) {
      if (line.text === "") continue;
      if (line.indent < indent) break;
      if (line.indent === indent && line.key !== undefined) taken.push(line.key);
      if (line.dashes.length && line.indent === indent) break;
    }
  return taken;
}

/** Reads where the cursor stands, by indentation and open brackets, so that it works while the text is not yet YAML. */
export function placeAt(text: string, offset: number): YamlPlace {
  const begin = text.lastIndexOf("\n", offset - 1) + 1;
  const head = text.slice(begin, offset);
  const before = text.slice(0, Math.max(0, begin - 1)).split("\n").map(lineOf);
  const end = text.indexOf("\n", offset);
  const after = end < 0 ? [] : text.slice(end + 1).split("\n").map(lineOf);
  const line = lineOf(head);
  const outer = begin === 0 ? [] : outerPath(before, line.indent, line.dashes);
  const flow = flowPath(line.text);
  const shift = offset - line.text.length;
  if (flow) {
    const inner = /^(\s*)(?:"?([$\w-]+)"?:\s+)?(.*)$/.exec(flow.rest)!;
    const word = inner[3] ?? "";
    const path = [...outer, ...flow.path];
    return { path, ...(inner[2] === undefined ? {} : { key: inner[2] }), word, from: offset - word.length, taken: flow.taken };
  }
  const value = /^"?([$\w-]+)"?:\s+(.*)$/.exec(line.text);
  if (value) {
    const word = value[2] ?? "";
    return { path: outer, key: value[1]!, word, from: offset - word.length, taken: [] };
  }
  return { path: outer, word: line.text, from: shift, taken: siblings(before, after, line.indent) };
}
