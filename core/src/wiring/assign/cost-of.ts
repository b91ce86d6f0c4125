import { addCost, compareCost, type Cost } from "./cost.ts";
import { Decided } from "./decided.ts";
import { leftOut, numbered, overLimits, type Numbered, type Picks } from "./numbered.ts";
import type { Item, Shared } from "./problem.ts";

/** What picks cost in all. */
export const costOf = <T>(items: readonly Item<T>[], picks: Picks, shared: Shared): Cost =>
  costOfNumbered(numbered(items, shared), picks);

/** What picks of a numbered problem cost in all. */
export function costOfNumbered(problem: Numbered, picks: Picks): Cost {
  const decided = new Decided(problem);
  problem.items.forEach((_, at) => decided.take(at, picks[at] ?? leftOut));
  return addCost(decided.cost, [overLimits(decided.loads, problem.bears), 0]);
}

/** The number of the option that costs least by itself; undefined where there is none. */
export function cheapestOption({ options }: Pick<Item<unknown>, "options">): number | undefined {
  let best: number | undefined;
  options.forEach((option, at) => {
    if (best === undefined || compareCost(option.cost, options[best]!.cost) < 0) best = at;
  });
  return best;
}
