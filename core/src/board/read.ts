import { parseWith, ProblemsError, readYaml } from "../finding/index.ts";
import { checkBoard } from "./check.ts";
import { boardSchema, type BoardProfile } from "./schema.ts";

/** Reads a profile from YAML. Throws ProblemsError with line and column of everything that is wrong. */
export function readBoard(text: string, file: string): BoardProfile {
  return readYaml(text, file, boardSchema, checkBoard);
}

/** Reads a profile that is data already, such as one in a bundle. Throws ProblemsError with the place of each fault. */
export function parseBoard(data: unknown, file: string): BoardProfile {
  const board = parseWith(boardSchema, data, file);
  const problems = checkBoard(board, file);
  if (problems.length) throw new ProblemsError(problems);
  return board;
}
