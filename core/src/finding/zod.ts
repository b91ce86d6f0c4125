import type { z } from "zod";
import { mostProblems, pathText, ProblemsError, shown, type Problem } from "./problem.ts";

type Issue = z.core.$ZodIssue;

/** What stands at a path of a document; undefined where the path leads nowhere. */
export function valueAt(document: unknown, path: readonly PropertyKey[]): unknown {
  let value: unknown = document;
  for (const key of path) {
    if (value === null || typeof value !== "object" || !Object.hasOwn(value, key)) return undefined;
    value = (value as Record<PropertyKey, unknown>)[key];
  }
  return value;
}

/** Keys that are told by name; more are counted. */
const mostKeysTold = 12;

function keysText(keys: readonly string[]): string {
  const told = keys.slice(0, mostKeysTold).map((key) => shown(key));
  return `${told.join(", ")}${keys.length > told.length ? ` and ${keys.length - told.length} more` : ""}`;
}

/** A limit: of a text in characters. */
const sizeText = (limit: number | bigint, origin: string) =>
  origin === "string" ? `${limit} character${Number(limit) === 1 ? "" : "s"}` : String(limit);

/** Forms of a text that the formats ask for, by the word of the schema. */
const forms: Readonly<Record<string, string>> = {
  date: "a date such as 2026-11-28",
  datetime: "a time such as 2026-11-28T09:30:00Z",
};

function expectation(issue: Issue): { expected: string; remedy: string } {
  switch (issue.code) {
    case "invalid_type":
      // A part that may not be left out has no type to name.
      return issue.expected === "nonoptional"
        ? { expected: "something here", remedy: "Give it." }
        : { expected: `a value of type ${issue.expected}`, remedy: "Give a value of that type." };
    case "invalid_value":
      return {
        expected: `one of ${issue.values.map((v) => String(v)).join(", ")}`,
        remedy: "Use one of these words.",
      };
    case "too_small":
      return {
        expected: `${issue.inclusive === false ? "over" : "at least"} ${sizeText(issue.minimum, issue.origin)}`,
        remedy: "Give more, or a larger value.",
      };
    case "too_big":
      return {
        expected: `${issue.inclusive === false ? "under" : "at most"} ${sizeText(issue.maximum, issue.origin)}`,
        remedy: "Give less, or a smaller value.",
      };
    case "invalid_format":
      return {
        expected: forms[issue.format] ?? issue.message,
        remedy: "Write it as the format describes.",
      };
    case "unrecognized_keys":
      return {
        expected: "only the keys of this format",
        remedy: `Remove or rename ${keysText(issue.keys)}.${
          issue.keys.some((key) => key.includes(" "))
            ? " A text with a comma inside { } must stand in quotes."
            : ""
        }`,
      };
    default:
      return { expected: issue.message, remedy: "Write it as the format describes." };
  }
}

/**
 * A union's refusal told as that of the alternative meant: the one that was followed furthest; where none was followed
 * at all, what each of them would have taken.
 */
function meant(issue: Issue): Issue[] {
  if (issue.code !== "invalid_union" || issue.errors.length === 0) return [issue];
  const branches = issue.errors.map((issues) =>
    issues.flatMap((each) => meant({ ...each, path: [...issue.path, ...each.path] } as Issue)),
  );
  const depth = (issues: Issue[]) => Math.max(0, ...issues.map((each) => each.path.length));
  const own = issue.path.length;
  const typeOnly = (issues: Issue[]) =>
    issues.some((each) => each.code === "invalid_type" && each.path.length === own);
  const followed = branches.filter((issues) => !typeOnly(issues));
  const [best] = [...followed].sort(
    (a, b) => unknownKeys(a) - unknownKeys(b) || a.length - b.length || depth(b) - depth(a),
  );
  const keys = best ? alternativeKeys(branches, own) : [];
  if (best && keys.length === 0) return best;
  if (keys.length > 0)
    return [{ ...issue, code: "custom", message: `a mapping with one of ${keys.join(", ")}` } as Issue];
  const kinds = branches
    .flat()
    .flatMap((each) => (each.code === "invalid_type" ? [kindText(each.expected)] : []));
  return [{ ...issue, code: "custom", message: [...new Set(kinds)].join(" or ") || issue.message } as Issue];
}

/** The first key of each alternative, where all are mappings and what was found has a key of none of them. */
function alternativeKeys(branches: readonly Issue[][], own: number): string[] {
  const strange = branches.filter((issues) =>
    issues.some((each) => each.code === "unrecognized_keys" && each.path.length === own),
  );
  if (strange.length !== 0 && strange.length !== branches.length) return [];
  const first = branches.map((issues) => issues.find((each) => each.path.length === own + 1)?.path[own]);
  return first.every((key) => typeof key === "string") ? [...new Set(first)] : [];
}

const unknownKeys = (issues: Issue[]) =>
  issues.reduce((sum, each) => sum + (each.code === "unrecognized_keys" ? each.keys.length : 0), 0);

const kindText = (type: string) =>
  ({ string: "a text", number: "a number", boolean: "true or false", object: "a mapping", array: "a list" })[
    type
  ] ?? `a value of type ${type}`;

/** A schema's refusal as problems with their place in the document, the first of them where they are very many. */
export function problemsOf(error: z.ZodError, document: unknown, file: string): Problem[] {
  const issues = error.issues.slice(0, mostProblems).flatMap(meant).slice(0, mostProblems);
  return issues.map((issue) => ({
    file,
    path: pathText(issue.path),
    ...expectation(issue),
    found: issue.code === "unrecognized_keys" ? keysText(issue.keys) : shown(valueAt(document, issue.path)),
  }));
}

/** The document as the schema reads it. Throws ProblemsError that names each place, what was expected and found. */
export function parseWith<S extends z.ZodType>(schema: S, document: unknown, file: string): z.output<S> {
  const result = schema.safeParse(document);
  if (!result.success) throw new ProblemsError(problemsOf(result.error, document, file));
  return result.data;
}
