import { isNode, isScalar, LineCounter, parseDocument, visit, type Document, type Scalar } from "yaml";
import type { z } from "zod";
import { ProblemsError, shown, type Problem } from "./problem.ts";
import { problemsOf } from "./zod.ts";

/** Largest file read, in characters: many times the largest sensible profile. */
const largestFile = 1_000_000;
/** Most times aliases may expand; keeps a small file from growing without end. */
const mostAliases = 100;
/** Deepest nesting read, in levels: a profile needs about ten. */
const deepestNesting = 60;

/** How deep brackets, or list dashes on one line, could nest; cheap, and never less than the truth for them. */
function deepest(text: string): number {
  let depth = 0;
  let most = 0;
  for (const character of text) {
    if (character === "[" || character === "{") most = Math.max(most, ++depth);
    else if ((character === "]" || character === "}") && depth > 0) depth -= 1;
  }
  for (const [dashes] of text.matchAll(/(?:[-?] +)+/g)) most = Math.max(most, dashes.length / 2);
  for (const [indent] of text.matchAll(/^ +/gm)) most = Math.max(most, indent.length / 2);
  return most;
}

function placed(problem: Problem, document: Document, lines: LineCounter): Problem {
  const keys = problem.path.match(/[^.[\]]+/g) ?? [];
  for (let depth = keys.length; depth > 0; depth--) {
    const path = keys.slice(0, depth).map((key) => (/^\d+$/.test(key) ? Number(key) : key));
    const node = document.getIn(path, true);
    if (isNode(node) && node.range) {
      const { line, col } = lines.linePos(node.range[0]);
      return { ...problem, line, column: col };
    }
  }
  return { ...problem, line: 1, column: 1 };
}

/** A document as far as it could be read: its value when it fits the schema, and everything that is wrong with it. */
export interface Inspected<T> {
  value?: T;
  problems: Problem[];
}

/** What is read into what: a schema, a checker beyond it, and the way from earlier formats to the newest. */
export interface Reading<S extends z.ZodType> {
  schema: S;
  check?: (value: z.output<S>, file: string) => Problem[];
  migrate?: (document: unknown) => unknown;
}

/**
 * The first key that stands twice in its mapping. The parser's own check compares each key with each other, which takes
 * minutes for a mapping of some ten thousand.
 */
function repeatedKey(document: Document): Scalar | undefined {
  let repeated: Scalar | undefined;
  visit(document, {
    Map(_, { items }) {
      const seen = new Set<string>();
      for (const { key } of items) {
        // A merge may stand more than once; the parser makes its key a symbol.
        if (!isScalar(key) || typeof key.value === "symbol") continue;
        // Read as data, the number 1 and the text "1" are one key.
        const name = String(key.value);
        if (seen.has(name)) {
          repeated = key;
          return visit.BREAK;
        }
        seen.add(name);
      }
      return undefined;
    },
  });
  return repeated;
}

/** The text as YAML, or the one reason why it is none that is read. */
function parsed(
  text: string,
  file: string,
): { document: Document; lines: LineCounter; value: unknown } | Problem {
  const refused = (expected: string, found: string, remedy: string, line = 1, column = 1): Problem => ({
    file,
    path: "document",
    expected,
    found,
    remedy,
    line,
    column,
  });
  if (text.length > largestFile)
    return refused(`at most ${largestFile} characters`, `${text.length}`, "Split or shorten the file.");
  if (deepest(text) > deepestNesting)
    return refused(`at most ${deepestNesting} levels`, "deeper nesting", "Write it flatter.");
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines, merge: true, uniqueKeys: false });
  const [syntax] = document.errors;
  if (syntax) {
    const { line, col } = lines.linePos(syntax.pos[0]);
    const [said = "a syntax error"] = syntax.message.split(/ at line \d+|\n/);
    return refused("well-formed YAML", said, "Correct the line.", line, col);
  }
  const repeated = repeatedKey(document);
  if (repeated) {
    const { line, col } = lines.linePos(repeated.range?.[0] ?? 0);
    return refused(
      "each key once in its mapping",
      shown(repeated.value),
      "Remove or rename one of them.",
      line,
      col,
    );
  }
  try {
    return { document, lines, value: document.toJS({ maxAliasCount: mostAliases }) };
  } catch (error) {
    return refused("few aliases", shown((error as Error).message), "Write the repeated parts out.");
  }
}

/**
 * Looks at one YAML document: what it is when it fits the schema, and every problem with line and column. Text that is no
 * YAML, too large, nested too deeply, or full of aliases is one problem.
 */
export function inspectYaml<S extends z.ZodType>(
  text: string,
  file: string,
  { schema, check = () => [], migrate = (document) => document }: Reading<S>,
): Inspected<z.output<S>> {
  const read = parsed(text, file);
  if (!("document" in read)) return { problems: [read] };
  const value = migrate(read.value);
  const result = schema.safeParse(value);
  const problems = result.success ? check(result.data, file) : problemsOf(result.error, value, file);
  return {
    ...(result.success ? { value: result.data } : {}),
    problems: problems.map((problem) => placed(problem, read.document, read.lines)),
  };
}

/** Reads one YAML document. Throws ProblemsError with everything that is wrong, as `inspectYaml` finds it. */
export function readYaml<S extends z.ZodType>(text: string, file: string, reading: Reading<S>): z.output<S> {
  const { value, problems } = inspectYaml(text, file, reading);
  if (problems.length || value === undefined) throw new ProblemsError(problems);
  return value;
}
