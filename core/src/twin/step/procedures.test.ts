import { fitBoard, type BoardProfile, type Procedure } from "../../board/index.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { usualPlan } from "../../testing/twins.ts";
import { startOf } from "../runner/index.ts";
import { runProcedure } from "../runner/run.ts";
import { twinOf } from "./index.ts";

const runsOn = (board: BoardProfile, leaves: number, procedure: Procedure) => {
  const fitting = { firmware: board.firmware.at(-1)!, leaves, cards: [] };
  // Its site is wired and set for what it needs: a tested beam, for one.
  const wishes = Object.fromEntries(
    procedure.needs.flatMap(({ behaviour, is }) => (behaviour && is !== undefined ? [[behaviour, is]] : [])),
  );
  const plan = usualPlan(board.id, leaves, wishes);
  const brain = startOf(board, fitting, procedure, plan.controls.positions);
  twinOf(brain, plan);
  return runProcedure(board, fitting, procedure, brain);
};

test.each(boardIds().filter((id) => shippedBoard(id).leaves > 0))(
  "%s: every procedure ends where it claims on leaves that truly move, learning among them",
  (id) => {
    const board = shippedBoard(id);
    for (const leaves of board.leaves > 1 ? [1, 2] : [1])
      for (const procedure of fitBoard(board, { firmware: board.firmware.at(-1)!, leaves, cards: [] })
        .procedures) {
        const name = `${id} ${leaves} ${procedure.id}`;
        const wrong = runsOn(board, leaves, procedure);
        expect([name, wrong]).toEqual([name, []]);
      }
  },
);
