import { shown, type Problem } from "../finding/index.ts";
import { checkControls } from "./check-controls.ts";
import { checkPanel } from "./check-panel.ts";
import { checkInputs, checkRails, checkTerminals } from "./check-wiring.ts";
import type { Report } from "./report.ts";
import type { BoardProfile } from "./schema.ts";

/** What in a profile contradicts itself, beyond its schema: each with its place and remedy. Empty when nothing does. */
export function checkBoard(board: BoardProfile, file: string): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, expected, found, remedy) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  checkTerminals(board, report);
  checkInputs(board, report);
  checkRails(board, report);
  checkControls(board, report);
  checkPanel(board, report);
  return problems;
}
