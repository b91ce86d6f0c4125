import { parseWith, ProblemsError } from "@anvilcloud/core";
import type { Request } from "express";
import type { z } from "zod";
import { HttpProblem } from "./problem.ts";

/** A query as its schema has it. */
export function parseQuery<T extends z.ZodType>(schema: T, { query }: Request): z.output<T> {
  try {
    return parseWith(schema, query, "query");
  } catch (error) {
    if (!(error instanceof ProblemsError)) throw error;
    throw new HttpProblem(400, "Query not understood", error.message);
  }
}

/** A whole number of a query; 0 where it is left out. */
export function countOf(request: Request, name: "after", most: number): number {
  const count = Number(request.query[name] ?? 0);
  if (!Number.isInteger(count) || count < 0 || count > most)
    throw new HttpProblem(
      400,
      "Query not understood",
      `${name}: expected a whole number from 0, found ${JSON.stringify(request.query[name])}.`,
    );
  return count;
}
