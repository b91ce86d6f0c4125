import { compareCost, costOf, free, type Cost, type Item, type Shared } from "../wiring/assign/index.ts";

/** The least cost of an assignment by trying every option of every item. */
export function everyWay<T>(items: readonly Item<T>[], shared: Shared): Cost {
  let best: Cost | undefined;
  const picks: (number | undefined)[] = [];
  const visit = (at: number) => {
    if (at === items.length) {
      const cost = costOf(items, picks, shared);
      if (!best || compareCost(cost, best) < 0) best = cost;
      return;
    }
    for (let option = -1; option < items[at]!.options.length; option++) {
      picks[at] = option < 0 ? undefined : option;
      visit(at + 1);
    }
  };
  visit(0);
  return best ?? free;
}
