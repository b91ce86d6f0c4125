import { shown, type Problem } from "../../finding/index.ts";
import { deliveredCards, withCards } from "../fit.ts";
import { layoutFaults } from "../layout/index.ts";
import type { BoardProfile } from "../schema/index.ts";
import { boardWith, checkSlots, pathInCard } from "./cards.ts";
import { checkBehaviours, checkControls } from "./controls.ts";
import { checkLamps } from "./lamps.ts";
import { namesOf } from "./names.ts";
import { checkOwners } from "./owners.ts";
import { checkPanel } from "./panel.ts";
import { checkPrograms } from "./programs.ts";
import { checkProcedures } from "./procedures.ts";
import { checkInputs, checkRails, checkSupply, checkTerminals } from "./wiring.ts";
import type { Report } from "../words/index.ts";

const listOf: Record<string, string> = {
  block: "blocks",
  lamp: "lamps",
  dip: "dips",
  slide: "slides",
  jumper: "jumpers",
  dial: "dials",
  key: "keys",
  slot: "slots",
};

function checkFace(board: BoardProfile, report: Report): void {
  for (const { a, b, kind, id } of layoutFaults(board)) {
    const list = listOf[kind];
    const parts = list ? (board as unknown as Record<string, { id: string }[]>)[list] : undefined;
    const at = parts?.findIndex((part) => part.id === id) ?? -1;
    report(
      list && at >= 0 ? `${list}[${at}].at` : kind === "display" ? "display.at" : "face",
      "a place of its own on the face",
      `${a} over ${b}`,
      "Move one of the two, leave its place out, or give the face more room.",
    );
  }
}

function checkSite(board: BoardProfile, report: Report): void {
  if (board.delivered && board.delivered.leaves > board.leaves)
    report(
      "delivered.leaves",
      `at most ${board.leaves}, as the board drives`,
      board.delivered.leaves,
      "Correct one of the two.",
    );
  if ((board.purpose === "radio") !== (board.leaves === 0))
    report(
      "leaves",
      board.purpose === "radio" ? "0 leaves on a radio" : "at least 1 leaf",
      board.leaves,
      "A radio drives nothing, and every other board drives something.",
    );
  if (board.leaves > 0 && board.limits.length === 0)
    report(
      "limits",
      "what ends the travel",
      undefined,
      "Name at least one: stops, switches, series, one-core, magnets, encoder.",
    );
}

function checkAll(board: BoardProfile, own: readonly string[], report: Report): void {
  const names = namesOf(board);
  checkSite(board, report);
  checkTerminals(board, names, report);
  checkOwners(board, report);
  checkSupply(board, names, report);
  checkInputs(board, names, report);
  checkRails(board, report);
  checkControls(board, names, report);
  checkBehaviours(board, names, report);
  checkLamps(board, names, report);
  checkPanel(board, names, report);
  checkProcedures(board, names, own, report);
  checkPrograms(board, names, report);
  checkSlots(board, names, report);
}

/**
 * What in a profile contradicts itself, beyond its schema: each with its place and remedy. Every card is checked in the
 * board it fits. Empty when nothing does.
 */
export function checkBoard(board: BoardProfile, file: string): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  const reportAt =
    (place: (path: string) => string): Report =>
    (path, expected, found, remedy) => {
      // A card's board repeats what is wrong with the board itself.
      const key = `${path} ${remedy}`;
      if (seen.has(key)) return;
      seen.add(key);
      problems.push({ file, path: place(path), expected, found: shown(found), remedy });
    };
  const own = board.memories.map((memory) => memory.id);
  checkAll(
    board,
    own,
    reportAt((path) => path),
  );
  board.cards.forEach((_, card) =>
    checkAll(
      boardWith(board, card),
      own,
      reportAt((path) => pathInCard(path, board, card)),
    ),
  );
  checkFace(
    withCards(board, deliveredCards(board)),
    reportAt((path) => path),
  );
  return problems;
}
