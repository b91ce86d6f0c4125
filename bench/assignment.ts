import { assign, problemOf } from "../core/src/wiring/index.ts";
import { comparable, solveAsProgram } from "../core/src/testing/integer-program.ts";
import { largeBoards, manyDevices } from "../core/src/testing/many.ts";
import { medianMs, report } from "./measure.ts";

/** The assignment of 20, 40 and 60 devices, against the same by a general integer-programming package; the same optimum, or it says so. */
export async function benchAssignment(): Promise<void> {
  for (const count of [20, 40, 60]) {
    let ours = 0;
    let theirs = 0;
    for (const [at, board] of largeBoards().entries())
      for (const seed of [1, 2, 3]) {
        const { groups, shared } = problemOf(
          board,
          manyDevices(board, count, 1_000 * count + 10 * at + seed),
        );
        const items = groups.map(({ item }) => item);
        const { cost, proved } = assign(items, shared);
        const same = comparable(cost).join() === solveAsProgram(items, shared).join();
        if (!same) process.stdout.write(`${board.id}, ${count} devices: not the same optimum\n`);
        if (!proved) process.stdout.write(`${board.id}, ${count} devices: stopped before it was proved\n`);
        ours += await medianMs(5, () => void assign(items, shared));
        theirs += await medianMs(3, () => void solveAsProgram(items, shared));
      }
    report(
      `assignment of ${count} devices, time of a general package against ours`,
      theirs / ours,
      "budget: at least 10",
    );
  }
}
