import fc from "fast-check";
import { costOf } from "./cost-of.ts";
import { Decided } from "./decided.ts";
import type { Cost } from "./cost.ts";
import type { Item } from "./problem.ts";

/** Items with a free choice of slot and limit, and their currents. */
const anyItems = fc.array(
  fc.record({
    milliamps: fc.option(fc.integer({ min: 1, max: 400 }), { nil: undefined }),
    options: fc.array(
      fc.record({
        choice: fc.constant(0),
        cost: fc.tuple(fc.integer({ max: 9, min: 0 }), fc.integer({ max: 9, min: 0 })),
        slot: fc.constantFrom(undefined, "a", "b"),
        limits: fc.subarray(["one", "two"]),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  { minLength: 1, maxLength: 6 },
);

const shared = { slots: { a: (nth: number): Cost => [0, nth * nth] }, limits: {} };

test("what is counted as items are taken and given back is what is counted of those that stay", () => {
  fc.assert(
    fc.property(anyItems, fc.infiniteStream(fc.nat()), (drafts, dice) => {
      const items = drafts.map(({ milliamps, options }): Item<number> => ({
        unplaced: [0, 0],
        ...(milliamps === undefined ? {} : { milliamps }),
        options: options.map(({ slot, ...option }) => ({ ...option, ...(slot ? { slot } : {}) })),
      }));
      const decided = new Decided(items, shared);
      const picks: (number | undefined)[] = items.map(() => undefined);
      for (let round = 0; round < 20; round++) {
        const at = dice.next().value! % items.length;
        const now = picks[at];
        if (now === undefined) {
          picks[at] = dice.next().value! % items[at]!.options.length;
          decided.take(at, picks[at]);
        } else {
          decided.give(at, now);
          picks[at] = undefined;
        }
      }
      expect(decided.cost).toEqual(costOf(items, picks, shared));
      for (const limit of ["one", "two"]) {
        const load = items.reduce((sum, { milliamps = 0, options }, at) => {
          const pick = picks[at];
          return pick !== undefined && options[pick]!.limits!.includes(limit) ? sum + milliamps : sum;
        }, 0);
        expect(decided.loads.get(limit) ?? 0).toBe(load);
      }
    }),
    { seed: 12, numRuns: 200 },
  );
});

test("a slot takes as many as it has a price for", () => {
  const one: Item<number> = { unplaced: [1, 0], options: [{ choice: 0, cost: [0, 0], slot: "two" }] };
  const two = { slots: { two: (nth: number): Cost => [nth > 2 ? Infinity : 0, 0] }, limits: {} };
  const decided = new Decided([one, one, one], two);
  decided.take(0, 0);
  expect(decided.hasRoom(1, 0)).toBe(true);
  decided.take(1, 0);
  expect(decided.hasRoom(2, 0)).toBe(false);
  decided.give(0, 0);
  expect(decided.hasRoom(2, 0)).toBe(true);
});
