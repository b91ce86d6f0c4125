import type { Item, Shared } from "./problem.ts";
import { leftOut } from "./cost-of.ts";
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

  /** False where a slot of the option takes no more. */
  hasRoom(at: number, option: number): boolean {
    const { slot, also } = this.#items[at]!.options[option]!;
    return [slot, also].every(
      (each) => each === undefined || Number.isFinite(this.#price(each, (this.uses.get(each) ?? 0) + 1)[0]),
    );
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
    const { options, unplaced, milliamps = 0 } = this.#items[at]!;
    if (option === leftOut) {
      this.cost = addCost(this.cost, [sign * unplaced[0], sign * unplaced[1]]);
      return;
    }
    const { cost, slot, also, limits = [] } = options[option]!;
    this.cost = addCost(this.cost, [sign * cost[0], sign * cost[1]]);
    for (const limit of limits) this.loads.set(limit, (this.loads.get(limit) ?? 0) + sign * milliamps);
    for (const each of [slot, also]) {
      if (each === undefined) continue;
      const uses = this.uses.get(each) ?? 0;
      const price = this.#price(each, sign > 0 ? uses + 1 : uses);
      this.cost = addCost(this.cost, [sign * price[0], sign * price[1]]);
      this.uses.set(each, uses + sign);
    }
  }
}
