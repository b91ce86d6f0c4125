import { fitBoard, menuValues, type BoardProfile, type MenuItem } from "../board/index.ts";
import { panelAlone, panelShowing, type PanelState } from "../panel/index.ts";
import { boardIds, shippedBoard } from "./shipped.ts";

/** Every shipped board with a panel that keys work, as it is with each of its firmwares. */
export const panelBoards = (): BoardProfile[] =>
  boardIds()
    .map(shippedBoard)
    .filter(({ panel }) => panel?.opens.length)
    .flatMap((board) => board.firmware.map((firmware) => fitBoard(board, { firmware })));

/** Every value of a board that keys set, new and set up, with the panel standing so that its entry is shown. */
export const everyValue = (board: BoardProfile) =>
  menuValues(board).flatMap(({ item }) =>
    [false, true].map((learned) => {
      const ask = panelAlone(learned);
      return { item, learned, ask, from: panelShowing(board, ask, item)! };
    }),
  ) satisfies { item: MenuItem; from: PanelState }[];

/** A few of many, spread over the whole: both ends among them. */
export const spread = <T>(all: readonly T[], count: number): T[] =>
  all.length <= count
    ? [...all]
    : Array.from({ length: count }, (_, n) => all[Math.round((n * (all.length - 1)) / (count - 1))]!);
