import fc from "fast-check";
import { everyWay } from "../../testing/every-way.ts";
import { assign, compareCost, costOf, free, type Cost, type Item, type Shared } from "./index.ts";

/** An item with a few ways to go: to one slot or to two, on a limit or none. */
const anyItem: fc.Arbitrary<Item<string>> = fc
  .record({
    options: fc.array(
      fc.record({
        slots: fc.uniqueArray(fc.constantFrom("a", "b", "c"), { maxLength: 2 }),
        grave: fc.constantFrom(0, 0, 30, 200),
        light: fc.integer({ min: 0, max: 9 }),
        limits: fc.constantFrom([], ["x"], ["y"]),
      }),
      { maxLength: 4 },
    ),
    unplaced: fc.integer({ min: 1, max: 3 }),
    milliamps: fc.integer({ min: 0, max: 90 }),
  })
  .map(({ options, unplaced, milliamps }) => ({
    options: options.map(({ slots: [slot, also], grave, light, limits }, at) => ({
      choice: String(at),
      cost: [grave, light] as const,
      ...(slot === undefined ? {} : { slot }),
      ...(also === undefined ? {} : { also }),
      limits,
    })),
    unplaced: [1_000 * unplaced, 0] as const,
    milliamps,
  }));

describe("the search itself", () => {
  test("with ways that take two slots at once, such as two relays for two lamps, it costs the least of all ways", () => {
    const one = (nth: number): Cost => [nth > 1 ? Infinity : 0, 0];
    const shared: Shared = {
      slots: { a: one, b: one, c: (nth) => [0, nth > 1 ? 4 : 0] },
      limits: { x: 100, y: 60 },
    };
    fc.assert(
      fc.property(fc.array(anyItem, { minLength: 2, maxLength: 4 }), (items) => {
        const { cost, proved, choices } = assign(items, shared);
        expect(proved).toBe(true);
        expect(cost).toEqual(everyWay(items, shared));
        const picks = choices.map((choice) => (choice === undefined ? undefined : Number(choice)));
        expect(costOf(items, picks, shared)).toEqual(cost);
      }),
      { seed: 4, numRuns: 400 },
    );
  });

  test("a slot is never taken twice where it takes one: of two items one stays unplaced", () => {
    const item = { options: [{ choice: "x", cost: free, slot: "r" }], unplaced: [1, 0] as const };
    const result = assign([item, item], { slots: { r: (nth) => [nth > 1 ? Infinity : 0, 0] }, limits: {} });
    expect(result.cost).toEqual([1, 0]);
    expect(result.choices.filter((choice) => choice === "x")).toHaveLength(1);
  });

  test("of several that have the same one way to go, the one that fits beside the others' current goes", () => {
    const lamp = (milliamps: number): Item<string> => ({
      options: [{ choice: "r", cost: free, slot: "r", limits: ["x"] }],
      unplaced: [1_000, 0],
      milliamps,
    });
    const fixed: Item<string> = {
      options: [{ choice: "x", cost: free, limits: ["x"] }],
      unplaced: [1_000, 0],
      milliamps: 300,
    };
    const shared: Shared = { slots: { r: (nth) => [nth > 1 ? Infinity : 0, 0] }, limits: { x: 400 } };
    for (const items of [
      [lamp(530), lamp(70), fixed],
      [fixed, lamp(70), lamp(530)],
      [lamp(120), fixed, lamp(530), lamp(100)],
    ]) {
      const { cost, choices } = assign(items, shared);
      expect(cost).toEqual(everyWay(items, shared));
      const placed = items.filter((_, at) => choices[at] === "r").map(({ milliamps }) => milliamps);
      expect(placed).toHaveLength(1);
      expect(placed[0]).toBeLessThanOrEqual(100);
    }
  });

  test("a graver word outweighs any amount of a lesser one", () => {
    expect(compareCost([0, 1_000_000], [1, 0])).toBeLessThan(0);
    expect(compareCost([1, 0], [1, 0])).toBe(0);
  });

  test("a load that fits one limit only whole is not split between two", () => {
    // By hand: 60 and 50 mA under limits of 70 and 40 leave 10 over whichever way; all on one leaves 40 over or more.
    const options = ["a", "b"].map((choice) => ({ choice, cost: free, limits: [choice] }));
    const items = [60, 50].map((milliamps) => ({ options, unplaced: [1e9, 0] as const, milliamps }));
    expect(assign(items, { slots: {}, limits: { a: 70, b: 40 } }).cost).toEqual([10, 0]);
  });

  test("sixty alike items on two shared places are settled without trying every order", () => {
    const options = ["a", "b"].map((choice) => ({ choice, cost: free, slot: choice }));
    const items = Array.from({ length: 60 }, () => ({ options, unplaced: [1, 0] as const }));
    const price = (nth: number): Cost => [0, nth - 1];
    const result = assign(items, { slots: { a: price, b: price }, limits: {} });
    expect(result.cost).toEqual([0, 2 * ((30 * 29) / 2)]);
  });
});
