import fc from "fast-check";
import { Decided } from "./decided.ts";
import { numbered } from "./numbered.ts";
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
      const decided = new Decided(numbered(items, shared));
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
      // Counted afresh of what is picked now: the nth in slot a costs n², slot b is free.
      const picked = items.flatMap(({ options, milliamps = 0 }, at) =>
        picks[at] === undefined ? [] : [{ ...options[picks[at]]!, milliamps }],
      );
      const inA = picked.filter(({ slot }) => slot === "a").length;
      const prices = (inA * (inA + 1) * (2 * inA + 1)) / 6;
      const sum = (word: 0 | 1) => picked.reduce((total, { cost }) => total + cost[word], 0);
      expect(decided.cost).toEqual([sum(0), sum(1) + prices]);
      const loads = ["one", "two"].map((limit) =>
        picked.reduce((total, { limits, milliamps }) => total + (limits!.includes(limit) ? milliamps : 0), 0),
      );
      // A limit that no option counts to has no number.
      expect(decided.loads.filter((load) => load > 0).sort()).toEqual(
        loads.filter((load) => load > 0).sort(),
      );
    }),
    { seed: 12, numRuns: 200 },
  );
});

test("a slot takes as many as it has a price for", () => {
  const one: Item<number> = { unplaced: [1, 0], options: [{ choice: 0, cost: [0, 0], slot: "two" }] };
  const two = { slots: { two: (nth: number): Cost => [nth > 2 ? Infinity : 0, 0] }, limits: {} };
  const decided = new Decided(numbered([one, one, one], two));
  decided.take(0, 0);
  expect(decided.hasRoom(1, 0)).toBe(true);
  decided.take(1, 0);
  expect(decided.hasRoom(2, 0)).toBe(false);
  decided.give(0, 0);
  expect(decided.hasRoom(2, 0)).toBe(true);
});
