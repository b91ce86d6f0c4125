import { free, type Cost } from "./cost.ts";
import type { Item, Shared } from "./problem.ts";

/** One way to place an item, with its slots and limits by number. */
export interface Way {
  cost: Cost;
  slots: readonly number[];
  limits: readonly number[];
}

/** Something to place, with its ways in the order of its options; the cost of none of them, and mA drawn by any. */
export interface NumberedItem {
  ways: readonly Way[];
  unplaced: Cost;
  milliamps: number;
  takesSlots: boolean;
}

/** A problem whose slots and limits are numbered: what a search asks thousands of times is looked up, not spelt. */
export interface Numbered {
  items: readonly NumberedItem[];
  /** What the nth use of each slot costs, from the first on. */
  prices: readonly (readonly Cost[])[];
  /** Milliamps each limit bears. */
  bears: readonly number[];
}

/** Numbers names in the order in which they come. */
class Numbers {
  readonly names: string[] = [];
  readonly #known = new Map<string, number>();

  of(name: string): number {
    const known = this.#known.get(name) ?? this.names.push(name) - 1;
    this.#known.set(name, known);
    return known;
  }
}

const usesOf = ({ slots: [one, other] }: Way, slot: number): number =>
  Number(one === slot) + Number(other === slot);

/** The same problem by numbers; items and ways keep their order. */
export function numbered<T>(items: readonly Item<T>[], shared: Shared): Numbered {
  const slots = new Numbers();
  const limits = new Numbers();
  const users: number[] = [];
  const ours = items.map(({ options, unplaced, milliamps = 0 }) => {
    const ways = options.map(({ cost, slot, also, limits: within = [] }) => ({
      cost,
      slots: [slot, also].flatMap((each) => (each === undefined ? [] : [slots.of(each)])),
      limits: within.map((each) => limits.of(each)),
    }));
    // Twice where it has both of its slots in one.
    for (const slot of new Set(ways.flatMap((way) => way.slots)))
      users[slot] = (users[slot] ?? 0) + Math.max(...ways.map((way) => usesOf(way, slot)));
    return { ways, unplaced, milliamps, takesSlots: options.some(({ slot }) => slot !== undefined) };
  });
  return {
    items: ours,
    prices: slots.names.map((name, slot) =>
      Array.from({ length: users[slot]! }, (_, n) => shared.slots[name]?.(n + 1) ?? free),
    ),
    bears: limits.names.map((name) => shared.limits[name] ?? Infinity),
  };
}

/** The number of each item's option; undefined, or `leftOut`, where it stays unplaced. */
export type Picks = (number | undefined)[];

/** Stands for no option, where it was chosen that an item stays unplaced. */
export const leftOut = -1;

/** What passes limits under these loads, mA. */
export const overLimits = (loads: readonly number[], bears: readonly number[]): number =>
  loads.reduce((over, load, limit) => over + Math.max(0, load - bears[limit]!), 0);
