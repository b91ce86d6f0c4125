import { inspectYaml, parseWith, ProblemsError, readYaml, type Inspected } from "../finding/index.ts";
import { checkBoard } from "./check/index.ts";
import { migrateBoard } from "./migrate.ts";
import { boardSchema, type BoardProfile } from "./schema/index.ts";

const reading = { schema: boardSchema, check: checkBoard, migrate: migrateBoard };

/** A profile being written: the board as soon as its form is right, and everything that is still wrong, with line and column. */
export function inspectBoard(text: string, file: string): Inspected<BoardProfile> {
  return inspectYaml(text, file, reading);
}

/** Reads a profile of any format so far from YAML. Throws ProblemsError with line and column of everything that is wrong. */
export function readBoard(text: string, file: string): BoardProfile {
  return readYaml(text, file, reading);
}

/** Reads a profile that is data already, such as one in a bundle. Throws ProblemsError with the place of each fault. */
export function parseBoard(data: unknown, file: string): BoardProfile {
  const board = parseWith(boardSchema, migrateBoard(data), file);
  const problems = checkBoard(board, file);
  if (problems.length) throw new ProblemsError(problems);
  return board;
}
