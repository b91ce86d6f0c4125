import type { JobPlan } from "../../plan/index.ts";
import { proving, sampleOf } from "../sample.ts";
import { boardIds, shippedBoard } from "../shipped.ts";
import { usualPlan } from "../twins.ts";

/** A board of one firmware on one of its sites. */
export interface Case {
  board: string;
  firmware: string;
  leaves: number;
  /** Whether it is wished to close by itself. */
  closes: boolean;
}

/** Every site of a board that moves: each firmware, one leaf or two, closing by itself or not. */
const sitesOf = (board: string): Case[] => {
  const { firmware, leaves } = shippedBoard(board);
  const counts = leaves > 1 ? [2, 1] : [1];
  return firmware.flatMap((version) =>
    counts.flatMap((count) =>
      [false, true].map((closes) => ({ board, firmware: version, leaves: count, closes })),
    ),
  );
};

/** Those where as many leaves hang as the board can move. */
const fullSitesOf = (board: string): Case[] =>
  sitesOf(board).filter(({ leaves }) => leaves === shippedBoard(board).leaves);

const moving = () => boardIds().filter((id) => shippedBoard(id).leaves > 0);

/** Which sites of the boards are played: one of each board with all its leaves, as a seed draws it; all where everything is run. */
export const corpusCases: readonly Case[] = moving().flatMap((board, n) =>
  proving ? sitesOf(board) : sampleOf(fullSitesOf(board), 1, 1_129 + n),
);

/** A case as one line names it. */
export const caseName = ({ board, firmware, leaves, closes }: Case): string =>
  `${board} ${firmware}, ${leaves === 1 ? "one leaf" : "two leaves"}${closes ? ", closing by itself" : ""}`;

/** The plan of a case, made once. */
export const planOf = ({ board, firmware, leaves, closes }: Case): JobPlan =>
  usualPlan(
    board,
    leaves,
    closes ? { "automatic-closing": true, "automatic-closing-time": 20 } : {},
    firmware,
  );
