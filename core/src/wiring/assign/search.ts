import { compareCost, sumCost, type Cost } from "./cost.ts";
import { Decided } from "./decided.ts";
import { leftOut, overLimits, type Numbered, type NumberedItem, type Picks } from "./numbered.ts";
import { apartFromSteady } from "./steady.ts";
import { LoadFlow, SlotFlow, type Relaxed } from "./relax.ts";

/** Nodes of the search tree tried before it is cut short: some tenths of a second, far beyond what a sensible job needs. */
const mostNodes = 3_000;

/** Costs are whole in the light word, so a bound may be lifted to the next whole number. */
const lifted = ([grave, light]: Cost): Cost => [grave, Math.ceil(light - 1e-6)];

/**
 * True where an item is settled by trying its ways: its current competes for limits, be it that its only way takes a slot
 * that another may take instead, or a way of it takes two slots.
 */
const isTried = ({ milliamps, ways, takesSlots }: NumberedItem): boolean =>
  (!!milliamps && (ways.length > 1 || takesSlots)) || ways.some(({ slots }) => slots.length > 1);

/** True where some item is settled by trying its ways. */
export const isSearched = ({ items }: Numbered): boolean => items.some(isTried);

/** The order in which items are decided: the heaviest first. */
function decisionOrder({ items }: Numbered): number[] {
  return items
    .map((_, at) => at)
    .filter((at) => isTried(items[at]!))
    .sort((a, b) => items[b]!.milliamps - items[a]!.milliamps || a - b);
}

/** Limits in groups whose members are all one to every item, such as the outputs of two like converters. */
function likeLimits({ items, bears }: Numbered): number[][] {
  const users = bears.map((): string[] => []);
  const outer = new Set<number>();
  items.forEach(({ ways }, at) =>
    ways.forEach(({ limits: [limit, ...within], cost, slots }) => {
      if (limit === undefined) return;
      users[limit]!.push([at, ...cost, ...slots, "within", ...within].join());
      for (const each of within) outer.add(each);
    }),
  );
  const groups = new Map<string, number[]>();
  bears.forEach((most, limit) => {
    const key = outer.has(limit) ? `${limit}` : `${most} mA: ${users[limit]!.join(" ")}`;
    groups.set(key, [...(groups.get(key) ?? []), limit]);
  });
  return [...groups.values()];
}

/** What is open when so many are decided, with flows that hang on the slots' uses alone and on the limits' loads alone. */
class Level {
  readonly open: readonly number[];
  /** What it cost to come to uses and loads that were met here. */
  readonly met = new Map<string, Cost>();
  readonly #slots: SlotFlow;
  readonly #loads: LoadFlow;
  readonly #known = { slots: new Map<string, Relaxed>(), loads: new Map<string, Relaxed>() };

  constructor(problem: Numbered, decided: readonly number[]) {
    this.open = problem.items.flatMap((item, at) => (decided.includes(at) || isFixed(item) ? [] : [at]));
    this.#slots = new SlotFlow(problem, this.open);
    this.#loads = new LoadFlow(problem, this.open);
  }

  /** @param key the uses that differ from node to node, in a word */
  slotsBeside({ uses }: Decided, key: string): Relaxed {
    return once(this.#known.slots, key, () => this.#slots.run(uses));
  }

  loadsBeside({ loads }: Decided): Relaxed {
    return once(this.#known.loads, loads.join(), () => this.#loads.run(loads));
  }
}

function once<T>(known: Map<string, T>, key: string, make: () => T): T {
  const met = known.get(key);
  if (met !== undefined) return met;
  const made = make();
  known.set(key, made);
  return made;
}

/** True of what has one way to go and takes no slot. */
const isFixed = ({ ways, takesSlots }: NumberedItem): boolean => ways.length === 1 && !takesSlots;

/**
 * Settles items whose currents compete for limits: depth-first branch and bound, bounded from below by flows in which
 * a current may be split between places. What comes to loads that were met before, like limits exchanged or not, at no
 * less cost, is not followed again.
 */
export function search(given: Numbered): { picks: Picks; proved: boolean } {
  const { problem, loads: steady } = apartFromSteady(given);
  const { items, bears } = problem;
  const order = decisionOrder(problem);
  const like = likeLimits(problem);
  /** Slots whose uses differ from node to node. */
  const slotsTried = [...new Set(order.flatMap((at) => items[at]!.ways.flatMap(({ slots }) => slots)))];
  const taken: Picks = items.map(() => undefined);
  const decided = new Decided(problem, { loads: steady });
  const levels: Level[] = [];
  let best: { picks: Picks; cost: Cost } | undefined;
  let nodes = 0;

  items.forEach((item, at) => {
    if (isFixed(item)) decided.take(at, (taken[at] = 0));
  });

  function visit(depth: number): void {
    const level = (levels[depth] ??= new Level(problem, order.slice(0, depth)));
    const uses = slotsTried.map((slot) => decided.uses[slot]!).join();
    const slots = level.slotsBeside(decided, uses);
    const loads = level.loadsBeside(decided);
    const bound = lifted(sumCost([decided.cost, slots.bound, loads.bound]));
    if (best && compareCost(bound, best.cost) >= 0) return;
    if (metBefore(level, uses) || ++nodes > mostNodes) return;
    const [grave, light] = sumCost([decided.cost, slots.cost, loads.cost]);
    const over = overLimits(
      decided.loads.map((load, limit) => load + slots.loads[limit]! + loads.loads[limit]!),
      bears,
    );
    const cost: Cost = [grave + over, light];
    const pickOf = (index: number) => slots.picks[index] ?? loads.picks[index];
    if (!best || compareCost(cost, best.cost) < 0) {
      best = { picks: [...taken], cost };
      for (const [index, at] of level.open.entries()) best.picks[at] = pickOf(index);
    }
    const at = order[depth];
    if (at === undefined || compareCost(bound, best.cost) >= 0) return;
    for (const way of waysToTry(at, pickOf(level.open.indexOf(at)))) {
      taken[at] = way;
      decided.take(at, way);
      visit(depth + 1);
      decided.give(at, way);
    }
    taken[at] = undefined;
  }

  function metBefore({ met }: Level, uses: string): boolean {
    let key = uses;
    for (const group of like)
      key +=
        group.length === 1
          ? `;${decided.loads[group[0]!]!}`
          : `;${group
              .map((limit) => decided.loads[limit]!)
              .sort((a, b) => a - b)
              .join()}`;
    const cost = met.get(key);
    if (cost && compareCost(cost, decided.cost) <= 0) return true;
    met.set(key, decided.cost);
    return false;
  }

  function waysToTry(at: number, likely: number | undefined): number[] {
    const { ways, takesSlots } = items[at]!;
    const able = ways.map((_, way) => way).filter((way) => decided.hasRoom(at, way));
    // What takes a slot may have to leave it to others.
    if (takesSlots) able.push(leftOut);
    return able.sort((a, b) => Number(b === likely) - Number(a === likely));
  }

  visit(0);
  return { picks: best?.picks ?? taken, proved: nodes <= mostNodes };
}
