import { ProblemsError, type Problem } from "@anvilcloud/core";
import { NotJson } from "./json.ts";

/** Why a task gave no result, as it passes from one thread to another: errors lose their class and what they carry. */
export type Refusal = { problems: Problem[] } | { notJson: true } | { code: string; message: string };

/** A refusal from an error; undefined for a fault of the program. */
export function refusalOf(error: unknown): Refusal | undefined {
  if (error instanceof ProblemsError) return { problems: error.problems };
  if (error instanceof NotJson) return { notJson: true };
  const { code, message } = error as { code?: unknown; message?: unknown };
  return typeof code === "string" ? { code, message: String(message) } : undefined;
}

/** The error that a refusal was made from. */
export function errorOf(refusal: Refusal): Error {
  if ("problems" in refusal) return new ProblemsError(refusal.problems);
  if ("notJson" in refusal) return new NotJson();
  return Object.assign(new Error(refusal.message), { code: refusal.code });
}
