import type { Cost } from "./cost.ts";
import { cheapestOption, costOf, type Picks } from "./cost-of.ts";
import { components } from "./components.ts";
import { slotFlow } from "./relax.ts";
import { search } from "./search.ts";

/** One way to place an item: what it costs by itself, the slot it takes one unit of, and the limits its current counts to. */
export interface Option<T> {
  choice: T;
  cost: Cost;
  slot?: string;
  /** The narrowest first, each within the next. */
  limits?: readonly string[];
}

/** Something to place. Without an option left it stays unplaced, at this cost. */
export interface Item<T> {
  options: readonly Option<T>[];
  unplaced: Cost;
  /** What it draws wherever it is placed, mA. */
  milliamps?: number;
}

/** What options share. */
export interface Shared {
  /** What the nth use of a slot costs, counted from 1 and never falling; Infinity past what it takes. Free where left out. */
  slots: Readonly<Record<string, (nth: number) => Cost>>;
  /** Milliamps a limit bears; each one over it costs one in the grave word. */
  limits: Readonly<Record<string, number>>;
}

/** The best assignment: for each item its choice, or undefined where it stays unplaced. */
export interface Assignment<T> {
  choices: (T | undefined)[];
  cost: Cost;
  /** False when the search was cut short: the best met so far, not proved to be the best there is. */
  proved: boolean;
}

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
    const loaded = part.some((item) => item.milliamps && item.options.length > 1);
    const found = loaded ? search(part, shared) : { picks: slotFlow(part, shared).picks, proved: true };
    proved &&= found.proved;
    members.forEach((at, index) => {
      const item = items[at]!;
      const slotted = item.options.some((option) => option.slot !== undefined);
      picks[at] = found.picks[index] ?? (slotted || loaded ? undefined : cheapestOption(item));
    });
  }
  return {
    choices: items.map((item, at) => item.options[picks[at] ?? -1]?.choice),
    cost: costOf(items, picks, shared),
    proved,
  };
}
