import { addCost, free, type Cost } from "./cost.ts";
import { leftOut, type Numbered } from "./numbered.ts";

/** The price of a use past what a slot takes. */
const none: Cost = [Infinity, 0];

/** What decided items cost and take so far, apart from what passes a limit: that is counted with what is still open. */
export class Decided {
  /** Milliamps on each limit. */
  readonly loads: number[];
  /** How often each slot is taken. */
  readonly uses: number[];
  cost: Cost = free;
  readonly #problem: Numbered;

  /** @param from loads and uses that there are already, which are no cost of these */
  constructor(problem: Numbered, from: { loads?: readonly number[]; uses?: readonly number[] } = {}) {
    this.#problem = problem;
    this.loads = from.loads ? [...from.loads] : problem.bears.map(() => 0);
    this.uses = from.uses ? [...from.uses] : problem.prices.map(() => 0);
  }

  /** False where a slot of the way takes no more. */
  hasRoom(at: number, way: number): boolean {
    return this.#problem.items[at]!.ways[way]!.slots.every((slot) =>
      Number.isFinite(this.#price(slot, this.uses[slot]!)[0]),
    );
  }

  #price(slot: number, after: number): Cost {
    return this.#problem.prices[slot]![after] ?? none;
  }

  take(at: number, way: number): void {
    this.#count(at, way, 1);
  }

  give(at: number, way: number): void {
    this.#count(at, way, -1);
  }

  #count(at: number, way: number, sign: 1 | -1): void {
    const { ways, unplaced, milliamps } = this.#problem.items[at]!;
    if (way === leftOut) {
      this.#add(unplaced, sign);
      return;
    }
    const { cost, slots, limits } = ways[way]!;
    this.#add(cost, sign);
    for (const limit of limits) this.loads[limit]! += sign * milliamps;
    for (const slot of slots) {
      const uses = this.uses[slot]!;
      this.#add(this.#price(slot, sign > 0 ? uses : uses - 1), sign);
      this.uses[slot] = uses + sign;
    }
  }

  #add([grave, light]: Cost, sign: 1 | -1): void {
    this.cost = addCost(this.cost, [sign * grave, sign * light]);
  }
}
