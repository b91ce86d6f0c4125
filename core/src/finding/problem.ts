/** Something wrong with a file or a request: where it is, what was expected, what stood there, what to do. */
export interface Problem {
  /** File or document, such as "boards/tern-2.yaml" or "request". */
  file: string;
  /** Path within it, such as `dials[1].sweep`; "document" for the root. */
  path: string;
  expected: string;
  found: string;
  remedy: string;
  line?: number;
  column?: number;
}

/** One line a person can act on. */
export function problemText(problem: Problem): string {
  const at = problem.line ? `${problem.file}:${problem.line}:${problem.column ?? 1}` : problem.file;
  return `${at}: ${problem.path}: expected ${problem.expected}, found ${problem.found}. ${problem.remedy}`;
}

/** Problems told of one document; who has more corrects these and looks again. */
export const mostProblems = 100;

/** Thrown by readers; carries every problem, not only the first, up to a hundred. */
export class ProblemsError extends Error {
  readonly problems: Problem[];
  constructor(problems: readonly Problem[]) {
    const told = problems.slice(0, mostProblems);
    const more = problems.length - told.length;
    super(told.map(problemText).join("\n") + (more ? `\nand ${more} more problems` : ""));
    this.name = "ProblemsError";
    this.problems = told;
  }
}

const shownLength = 60;

/** A value as it is shown in "found …": short, quoted when it is text. */
export function shown(value: unknown): string {
  if (value === undefined) return "nothing";
  let text: string;
  try {
    text = JSON.stringify(value) ?? String(value);
  } catch {
    return "a value nested too deeply to show";
  }
  return text.length > shownLength ? `${text.slice(0, shownLength)}…` : text;
}

/** `["dials", 1, "sweep"]` as `dials[1].sweep`; the root is "document". */
export function pathText(path: readonly PropertyKey[]): string {
  if (path.length === 0) return "document";
  return path
    .map((key, at) => (typeof key === "number" ? `[${key}]` : `${at ? "." : ""}${String(key)}`))
    .join("");
}
