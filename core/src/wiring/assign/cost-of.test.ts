import fc from "fast-check";
import { compareCost, type Cost } from "./cost.ts";
import { cheapestOption, costOf } from "./cost-of.ts";
import type { Item } from "./problem.ts";

const item = (costs: Cost[], more: Partial<Item<number>> = {}): Item<number> => ({
  unplaced: [100, 0],
  options: costs.map((cost, choice) => ({ choice, cost, slot: "clamp", limits: ["rail"] })),
  ...more,
});
const anyCost = fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 }));

describe("the option that costs least by itself", () => {
  test("is one that none undercuts, the first of equals; of none there is none", () => {
    fc.assert(
      fc.property(fc.array(anyCost, { minLength: 1, maxLength: 6 }), (costs) => {
        const best = cheapestOption(item(costs))!;
        costs.forEach((cost, index) => {
          const order = compareCost(cost, costs[best]!);
          expect(order).toBeGreaterThanOrEqual(0);
          if (order === 0) expect(index).toBeGreaterThanOrEqual(best);
        });
      }),
      { seed: 5 },
    );
    expect(cheapestOption(item([]))).toBeUndefined();
  });
});

describe("what picks cost", () => {
  const shared = { slots: { clamp: (nth: number): Cost => [0, 10 * (nth - 1)] }, limits: { rail: 100 } };

  test("by hand: options, the second and third in one slot, what passes a limit, and what stays out", () => {
    const items = [
      item([[0, 1]], { milliamps: 60 }),
      item([[0, 2]], { milliamps: 60 }),
      item([[0, 3]], { milliamps: 5 }),
      item([[0, 4]]),
    ];
    // 1 + 2 + 3 for the options, 10 and 20 for the slot, 125 − 100 over the limit, 100 for the last without a place.
    expect(costOf(items, [0, 0, 0, undefined], shared)).toEqual([125, 36]);
    // 100 mA are within the limit, and a slot used once is free.
    expect(costOf([item([[0, 7]], { milliamps: 100 })], [0], shared)).toEqual([0, 7]);
    expect(costOf([item([[0, 7]], { milliamps: 101 })], [0], shared)).toEqual([1, 7]);
    expect(costOf([item([[0, 7]], { milliamps: 1e6 })], [0], { slots: {}, limits: {} })).toEqual([0, 7]);
  });
});
