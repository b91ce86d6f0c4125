import { addCost, free } from "./cost.ts";
import { cheapestOption, costOfNumbered } from "./cost-of.ts";
import { components } from "./components.ts";
import { leftOut, numbered, type Numbered, type Picks } from "./numbered.ts";
import type { Assignment, Item, Shared } from "./problem.ts";
import { SlotFlow } from "./relax.ts";
import { isSearched, search } from "./search.ts";

/**
 * Places every item at the least total cost, exactly. What shares nothing is settled apart: items with one way to go
 * at once; those that only take slots as a flow of least cost; those whose currents compete by branch and bound. Of
 * equally good assignments the one met first is kept, so a run repeats.
 */
export function assign<T>(items: readonly Item<T>[], shared: Shared): Assignment<T> {
  const picks: Picks = items.map(() => undefined);
  let cost = free;
  let proved = true;
  for (const members of components(items)) {
    const part = numbered(
      members.map((at) => items[at]!),
      shared,
    );
    const searched = isSearched(part);
    const found = searched ? search(part) : { picks: settledBySlots(part), proved: true };
    proved &&= found.proved;
    const own = part.items.map(
      ({ takesSlots }, index) =>
        found.picks[index] ?? (takesSlots || searched ? undefined : cheapestOption(items[members[index]!]!)),
    );
    cost = addCost(cost, costOfNumbered(part, own));
    members.forEach((at, index) => (picks[at] = own[index]));
  }
  return { choices: items.map((item, at) => item.options[picks[at] ?? leftOut]?.choice), cost, proved };
}

/** Items that compete for slots alone. */
const settledBySlots = (part: Numbered): Picks => [
  ...new SlotFlow(
    part,
    part.items.map((_, at) => at),
  ).run(part.prices.map(() => 0)).picks,
];
