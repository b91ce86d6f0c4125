import type { Item, Shared } from "./problem.ts";
import { addCost, compareCost, free, sumCost, type Cost } from "./cost.ts";

/** The number of each item's option; undefined, or `leftOut`, where it stays unplaced. */
export type Picks = (number | undefined)[];

/** Stands for no option, where it was chosen that an item stays unplaced. */
export const leftOut = -1;

/** What picks cost in all. */
export function costOf<T>(items: readonly Item<T>[], picks: Picks, shared: Shared): Cost {
  const uses = new Map<string, number>();
  const loads = new Map<string, number>();
  let cost = free;
  items.forEach((item, at) => {
    const option = item.options[picks[at] ?? leftOut];
    cost = addCost(cost, option?.cost ?? item.unplaced);
    for (const slot of [option?.slot, option?.also]) {
      if (slot === undefined) continue;
      const nth = (uses.get(slot) ?? 0) + 1;
      uses.set(slot, nth);
      cost = addCost(cost, shared.slots[slot]?.(nth) ?? free);
    }
    for (const limit of option?.limits ?? [])
      loads.set(limit, (loads.get(limit) ?? 0) + (item.milliamps ?? 0));
  });
  const over = [...loads].map(([limit, load]) => Math.max(0, load - (shared.limits[limit] ?? Infinity)));
  return sumCost([cost, ...over.map((each): Cost => [each, 0])]);
}

/** The number of the option that costs least by itself; undefined where there is none. */
export function cheapestOption<T>({ options }: Item<T>): number | undefined {
  let best: number | undefined;
  options.forEach((option, at) => {
    if (best === undefined || compareCost(option.cost, options[best]!.cost) < 0) best = at;
  });
  return best;
}
