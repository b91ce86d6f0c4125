import {
  fitBoard,
  type BoardProfile,
  type Condition,
  type Fitting,
  type Procedure,
} from "../../board/index.ts";
import type { Mismatch } from "./claims.ts";
import { runProcedure } from "./run.ts";
import { arrange, startOf } from "./start.ts";

/** A procedure that does not end where it claims, on one kind of site. */
export interface Misrun extends Mismatch {
  procedure: string;
  fitting: Fitting;
}

/** Every kind of site a board can be found on: by its firmware, its leaves, and each of its cards. */
export function fittingsOf(board: BoardProfile): Fitting[] {
  const cards = board.cards.map(({ id }) => [id]);
  return board.firmware.flatMap((firmware) =>
    (board.leaves > 1 ? [1, 2] : [board.leaves]).flatMap((leaves) =>
      [[], ...cards].map((fitted) => ({ firmware, leaves, cards: fitted })),
    ),
  );
}

/** The settings a procedure's steps ask for, where some are done only under some. */
function mannersOf({ steps }: Procedure): (Condition | undefined)[] {
  const asked = steps.flatMap(({ when }) => (when ? [when] : []));
  return asked.length ? asked : [undefined];
}

/** Makes every procedure of a board on every kind of site, one mismatch after the other: whoever asks may stop early. */
export function* runEvery(board: BoardProfile): Generator<Misrun, void> {
  for (const fitting of fittingsOf(board))
    for (const procedure of fitBoard(board, fitting).procedures)
      for (const manner of mannersOf(procedure)) {
        const start = startOf(board, fitting, procedure);
        if (manner) arrange(start, [manner]);
        for (const mismatch of runProcedure(board, fitting, procedure, start))
          yield { ...mismatch, procedure: procedure.id, fitting };
      }
}
