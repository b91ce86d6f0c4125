import type { Item, Shared } from "./problem.ts";
import { addCost, free, type Cost } from "./cost.ts";

/** What decided items cost and take so far, apart from what passes a limit: that is reckoned with what is still open. */
export class Decided<T> {
  readonly loads = new Map<string, number>();
  readonly uses = new Map<string, number>();
  cost: Cost = free;
  readonly #items: readonly Item<T>[];
  readonly #shared: Shared;

  constructor(items: readonly Item<T>[], shared: Shared) {
    this.#items = items;
    this.#shared = shared;
  }

  /** False where the option's slot takes no more. */
  hasRoom(at: number, option: number): boolean {
    const { slot } = this.#items[at]!.options[option]!;
    return slot === undefined || Number.isFinite(this.#price(slot, (this.uses.get(slot) ?? 0) + 1)[0]);
  }

  #price(slot: string, nth: number): Cost {
    return this.#shared.slots[slot]?.(nth) ?? free;
  }

  take(at: number, option: number): void {
    this.#count(at, option, 1);
  }

  give(at: number, option: number): void {
    this.#count(at, option, -1);
  }

  #count(at: number, option: number, sign: 1 | -1): void {
    const { options, milliamps = 0 } = this.#items[at]!;
    const { cost, slot, limits = [] } = options[option]!;
    this.cost = addCost(this.cost, [sign * cost[0], sign * cost[1]]);
    for (const limit of limits) this.loads.set(limit, (this.loads.get(limit) ?? 0) + sign * milliamps);
    if (slot === undefined) return;
    const uses = this.uses.get(slot) ?? 0;
    const price = this.#price(slot, sign > 0 ? uses + 1 : uses);
    this.cost = addCost(this.cost, [sign * price[0], sign * price[1]]);
    this.uses.set(slot, uses + sign);
  }
}
