import { isNode, LineCounter, parseDocument, type Document } from "yaml";
import type { z } from "zod";
import { ProblemsError, shown, type Problem } from "./problem.ts";
import { problemsOf } from "./zod.ts";

/** Largest file read, in characters: many times the largest sensible profile. */
const largestFile = 1_000_000;
/** Most times aliases may expand; keeps a small file from growing without end. */
const mostAliases = 100;

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

/**
 * Reads one YAML document against a schema and a checker of its own.
 * Throws ProblemsError whose problems carry line and column; text that is no YAML, too large, or full of aliases is
 * refused the same way.
 */
export function readYaml<S extends z.ZodType>(
  text: string,
  file: string,
  schema: S,
  check: (value: z.output<S>, file: string) => Problem[] = () => [],
): z.output<S> {
  const refuse = (expected: string, found: string, remedy: string, line = 1, column = 1): never => {
    throw new ProblemsError([{ file, path: "document", expected, found, remedy, line, column }]);
  };
  if (text.length > largestFile)
    refuse(`at most ${largestFile} characters`, `${text.length}`, "Split or shorten the file.");
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines });
  const [syntax] = document.errors;
  if (syntax) {
    const { line, col } = lines.linePos(syntax.pos[0]);
    refuse(
      "well-formed YAML",
      syntax.message.split("\n")[0] ?? "a syntax error",
      "Correct the line.",
      line,
      col,
    );
  }
  let value: unknown;
  try {
    value = document.toJS({ maxAliasCount: mostAliases });
  } catch (error) {
    refuse("few aliases", shown((error as Error).message), "Write the repeated parts out.");
  }
  const parsed = schema.safeParse(value);
  const problems = parsed.success ? check(parsed.data, file) : problemsOf(parsed.error, value, file);
  if (problems.length || !parsed.success)
    throw new ProblemsError(problems.map((problem) => placed(problem, document, lines)));
  return parsed.data;
}
