import { cheapestOption, costOf, leftOut, type Picks } from "./cost-of.ts";
import { components } from "./components.ts";
import type { Assignment, Item, Shared } from "./problem.ts";
import { slotFlow } from "./relax.ts";
import { isTried, search } from "./search.ts";

/**
 * Places every item at the least total cost, exactly. What shares nothing is settled apart: items with one way to go
 * at once; those that only take slots as a flow of least cost; those whose currents compete by branch and bound. Of
 * equally good assignments the one met first is kept, so a run repeats.
 */
export function assign<T>(items: readonly Item<T>[], shared: Shared): Assignment<T> {
  const picks: Picks = items.map(() => undefined);
  let proved = true;
  for (const members of components(items)) {
    const part = members.map((at) => items[at]!);
    const loaded = part.some(isTried);
    const found = loaded ? search(part, shared) : { picks: slotFlow(part, shared).picks, proved: true };
    proved &&= found.proved;
    members.forEach((at, index) => {
      const item = items[at]!;
      const slotted = item.options.some((option) => option.slot !== undefined);
      picks[at] = found.picks[index] ?? (slotted || loaded ? undefined : cheapestOption(item));
    });
  }
  return {
    choices: items.map((item, at) => item.options[picks[at] ?? leftOut]?.choice),
    cost: costOf(items, picks, shared),
    proved,
  };
}
