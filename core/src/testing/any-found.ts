import fc from "fast-check";
import { displayPositions, menuValues, selectorsOf, type BoardProfile } from "../board/index.ts";
import type { Job } from "../job/index.ts";
import { fractionToClock, readableFractions } from "../quantity/index.ts";

type Found = Pick<Job["found"], "links" | "switches" | "dials" | "values">;

/** Any position of every control and link of a board. */
export function anyFound(board: BoardProfile): fc.Arbitrary<Found> {
  const each = <T>(entries: [string, fc.Arbitrary<T>][]) => fc.record(Object.fromEntries(entries));
  return fc.record({
    links: each(board.links.map(({ id }) => [id, fc.constantFrom("in" as const, "out" as const)])),
    switches: each(selectorsOf(board).map(({ id, positions }) => [id, fc.constantFrom(...positions)])),
    dials: each(
      board.dials.map(({ id, sweep }) => {
        const clocks = readableFractions(sweep).map((at) => fractionToClock(at, sweep));
        return [id, fc.constantFrom(...clocks)];
      }),
    ),
    values: each(menuValues(board).map(({ item }) => [item.id, fc.constantFrom(...displayPositions(item))])),
  });
}
