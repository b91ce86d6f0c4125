import type { Item, Shared } from "./problem.ts";
import { compareCost, type Cost } from "./cost.ts";
import { costOf, leftOut, type Picks } from "./cost-of.ts";
import { Decided } from "./decided.ts";
import { loadFlow, slotFlow } from "./relax.ts";

/** Nodes of the search tree tried before it is cut short: some tenths of a second, far beyond what a sensible job needs. */
const mostNodes = 3_000;

/** Costs are whole in the light word, so a bound may be lifted to the next whole number. */
const lifted = ([grave, light]: Cost): Cost => [grave, Math.ceil(light - 1e-6)];

/**
 * True where an item is settled by trying its ways: its current competes for limits, be it that its only way takes a slot
 * that another may take instead, or a way of it takes two slots.
 */
export const isTried = <T>({ milliamps, options }: Item<T>): boolean =>
  (!!milliamps && (options.length > 1 || options.some(({ slot }) => slot !== undefined))) ||
  options.some(({ also }) => also !== undefined);

/** The order in which items are decided: the heaviest first. */
function decisionOrder<T>(items: readonly Item<T>[]): number[] {
  return items
    .map((_, at) => at)
    .filter((at) => isTried(items[at]!))
    .sort((a, b) => (items[b]!.milliamps ?? 0) - (items[a]!.milliamps ?? 0) || a - b);
}

/** Limits in groups whose members are all one to every item, such as the outputs of two like converters. */
function likeLimits<T>(items: readonly Item<T>[], shared: Shared): string[][] {
  const users = new Map<string, string[]>();
  const outer = new Set<string>();
  items.forEach((item, at) =>
    item.options.forEach(({ limits: [limit, ...within] = [], cost, slot, also }) => {
      if (limit === undefined) return;
      users.set(limit, [...(users.get(limit) ?? []), [at, ...cost, slot, also, ...within].join()]);
      for (const each of within) outer.add(each);
    }),
  );
  const groups = new Map<string, string[]>();
  for (const limit of new Set([...users.keys(), ...outer])) {
    const key = outer.has(limit) ? limit : [shared.limits[limit], ...(users.get(limit) ?? [])].join(" ");
    groups.set(key, [...(groups.get(key) ?? []), limit]);
  }
  return [...groups.values()];
}

/**
 * Settles items whose currents compete for limits: depth-first branch and bound, bounded from below by flows in which
 * a current may be split between places. What comes to loads that were met before, like limits exchanged or not, at no
 * less cost, is not followed again.
 */
export function search<T>(items: readonly Item<T>[], shared: Shared): { picks: Picks; proved: boolean } {
  const order = decisionOrder(items);
  const like = likeLimits(items, shared);
  const met = new Map<string, Cost>();
  const taken: Picks = items.map(() => undefined);
  const decided = new Decided(items, shared);
  let best: { picks: Picks; cost: Cost } | undefined;
  let nodes = 0;

  // What has one way to go and takes no slot is decided from the start.
  items.forEach(({ options }, at) => {
    if (options.length === 1 && options[0]!.slot === undefined) decided.take(at, (taken[at] = 0));
  });

  function visit(depth: number): void {
    if (metBefore(depth) || ++nodes > mostNodes) return;
    const open = items.flatMap((_, at) => (taken[at] === undefined ? [at] : []));
    const left = open.map((at) => items[at]!);
    const slots = slotFlow(left, shared, decided.uses);
    const loads = loadFlow(left, shared, decided.loads);
    const bound = lifted([
      decided.cost[0] + slots.bound[0] + loads.bound[0],
      decided.cost[1] + slots.bound[1] + loads.bound[1],
    ]);
    if (best && compareCost(bound, best.cost) >= 0) return;
    const picks = [...taken];
    open.forEach((at, index) => (picks[at] = slots.picks[index] ?? loads.picks[index]));
    const cost = costOf(items, picks, shared);
    if (!best || compareCost(cost, best.cost) < 0) best = { picks, cost };
    const at = order[depth];
    if (at === undefined || compareCost(bound, best.cost) >= 0) return;
    for (const option of optionsToTry(at, picks[at])) {
      taken[at] = option;
      decided.take(at, option);
      visit(depth + 1);
      decided.give(at, option);
    }
    taken[at] = undefined;
  }

  function metBefore(depth: number): boolean {
    const loads = like.map((group) =>
      group.map((limit) => decided.loads.get(limit) ?? 0).sort((a, b) => a - b),
    );
    const key = [depth, ...loads, ...[...decided.uses].flat()].join();
    const cost = met.get(key);
    if (cost && compareCost(cost, decided.cost) <= 0) return true;
    met.set(key, decided.cost);
    return false;
  }

  function optionsToTry(at: number, likely: number | undefined): number[] {
    const { options } = items[at]!;
    const able = options.map((_, option) => option).filter((option) => decided.hasRoom(at, option));
    // What takes a slot may have to leave it to others.
    if (options.some(({ slot }) => slot !== undefined)) able.push(leftOut);
    return able.sort((a, b) => Number(b === likely) - Number(a === likely));
  }

  visit(0);
  return { picks: best?.picks ?? taken, proved: nodes <= mostNodes };
}
