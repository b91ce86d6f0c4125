import { entryName, fitBoard, type BoardProfile } from "../board/index.ts";
import { panelAlone, panelShowing, wayToEntry } from "../panel/index.ts";
import { fittingsOf, runEvery, type Misrun } from "./runner/index.ts";

/** How a board runs: its procedures made by their gestures on its programs, and what no key reaches. */
export interface RunReport {
  /** Procedures that end where they claim, on every kind of site, of how many. */
  right: number;
  procedures: number;
  /** What does not come out as claimed, and entries that cannot be reached, a sentence each. */
  problems: string[];
}

/** Mismatches that are told; a wrong board has many of one kind. */
const mostTold = 30;

const misrunText = ({ procedure, step, what, claimed, caused }: Misrun): string =>
  what === "gesture"
    ? `${procedure}, step ${step}: its gesture cannot be made, for ${caused}.`
    : `${procedure}, step ${step}: claims ${what} ${claimed}; the programs cause ${caused}.`;

/** Entries of the menus that no keys lead to, new or set up, in some firmware. */
function unreached(board: BoardProfile): string[] {
  return board.firmware.flatMap((firmware) => {
    const on = fitBoard(board, { firmware, cards: board.cards.map(({ id }) => id) });
    const ways = [false, true].map((learned) => panelAlone(learned));
    return (on.panel?.menus ?? [])
      .flatMap(({ kind, items }) => (kind === "app" ? [] : items))
      .filter(
        (item) =>
          !ways.some((ask) => {
            const from = panelShowing(on, ask, item);
            return from && wayToEntry(on, ask, from, item.id);
          }),
      )
      .map((item) => `Entry ${entryName(item)} (${item.id}) is reached by no keys in firmware ${firmware}.`);
  });
}

/** Runs everything a profile says. Of one without programs nothing runs: it reports nothing wrong and nothing right. */
export function runReport(board: BoardProfile): RunReport {
  const procedures = new Set(
    fittingsOf(board).flatMap((fitting) => fitBoard(board, fitting).procedures.map(({ id }) => id)),
  );
  if (!board.programs.length) return { right: 0, procedures: procedures.size, problems: unreached(board) };
  const wrong = new Set<string>();
  const texts = new Set<string>();
  for (const misrun of runEvery(board)) {
    wrong.add(misrun.procedure);
    texts.add(misrunText(misrun));
    if (texts.size >= mostTold) break;
  }
  return {
    right: procedures.size - wrong.size,
    procedures: procedures.size,
    problems: [...unreached(board), ...texts],
  };
}
