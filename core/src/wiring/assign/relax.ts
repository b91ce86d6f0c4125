import type { Item, Shared } from "./problem.ts";
import { compareCost, free, sumCost, type Cost } from "./cost.ts";
import { Flow } from "./flow.ts";

/** An easier problem's answer: a cost that bounds the true one from below, and the picks behind it. */
export interface Relaxed {
  bound: Cost;
  picks: (number | undefined)[];
}

/** The cheapest of an item's options for each key, by its number. */
function cheapest<T>(
  item: Item<T>,
  keyOf: (option: Item<T>["options"][number]) => string,
): Map<string, number> {
  const best = new Map<string, number>();
  item.options.forEach((option, at) => {
    const key = keyOf(option);
    const other = best.get(key);
    if (other === undefined || compareCost(option.cost, item.options[other]!.cost) < 0) best.set(key, at);
  });
  return best;
}

const takesSlots = <T>(item: Item<T>) => item.options.some((option) => option.slot !== undefined);

/** Items that take slots beside what has taken them already, as a flow that leaves their currents out of account. What they cost counts here. */
export function slotFlow<T>(
  items: readonly Item<T>[],
  shared: Shared,
  used: ReadonlyMap<string, number> = new Map(),
): Relaxed {
  const flow = new Flow();
  const nodes = new Map<string, { node: number; users: number }>();
  const tried: { at: number; option: number | undefined; edge: number }[] = [];
  items.forEach((item, at) => {
    if (!takesSlots(item)) return;
    const node = flow.node();
    flow.edge(flow.source, node, 1, free);
    for (const [slot, option] of cheapest(item, (each) => each.slot ?? "")) {
      const cost = item.options[option]!.cost;
      if (slot === "") {
        tried.push({ at, option, edge: flow.edge(node, flow.sink, 1, cost) });
        continue;
      }
      const known = nodes.get(slot) ?? { node: flow.node(), users: 0 };
      known.users += 1;
      nodes.set(slot, known);
      tried.push({ at, option, edge: flow.edge(node, known.node, 1, cost) });
    }
    tried.push({ at, option: undefined, edge: flow.edge(node, flow.sink, 1, item.unplaced) });
  });
  for (const [slot, { node, users }] of nodes) {
    const before = used.get(slot) ?? 0;
    for (let nth = before + 1; nth <= before + users; nth++) {
      const price = shared.slots[slot]?.(nth) ?? free;
      if (Number.isFinite(price[0])) flow.edge(node, flow.sink, 1, price);
    }
  }
  const bound = flow.run();
  const picks: (number | undefined)[] = items.map(() => undefined);
  for (const { at, option, edge } of tried) if (flow.on(edge) > 0.5) picks[at] = option;
  return { bound, picks };
}

/**
 * Currents under their limits beside what loads them already, as a flow of milliamps in which an item may be split. Items that take slots lend their
 * current, and what they cost is left to the slots.
 */
export function loadFlow<T>(
  items: readonly Item<T>[],
  shared: Shared,
  loads: ReadonlyMap<string, number> = new Map(),
): Relaxed {
  const flow = new Flow();
  const nodes = new Map<string, number>();
  const limitNode = (limits: readonly string[]): number => {
    const [limit, ...within] = limits;
    if (limit === undefined) return flow.sink;
    const known = nodes.get(limit);
    if (known !== undefined) return known;
    const node = flow.node();
    nodes.set(limit, node);
    const next = limitNode(within);
    flow.edge(node, next, Math.max(0, (shared.limits[limit] ?? Infinity) - (loads.get(limit) ?? 0)), free);
    flow.edge(node, next, Infinity, [1, 0]);
    return node;
  };
  const still: Cost[] = [...loads].map(([limit, load]) => [
    Math.max(0, load - (shared.limits[limit] ?? Infinity)),
    0,
  ]);
  const picks: (number | undefined)[] = items.map(() => undefined);
  const tried: { at: number; option: number; edge: number; milliamps: number }[] = [];
  items.forEach((item, at) => {
    const slotted = takesSlots(item);
    const milliamps = item.milliamps ?? 0;
    if (!item.options.length) {
      if (!slotted) still.push(item.unplaced);
      return;
    }
    if (milliamps <= 0) {
      if (slotted) return;
      const [option = 0] = [...cheapest(item, () => "").values()];
      picks[at] = option;
      still.push(item.options[option]!.cost);
      return;
    }
    const node = flow.node();
    flow.edge(flow.source, node, milliamps, free);
    const byLimits = slotted
      ? new Map(item.options.map((option, each) => [(option.limits ?? []).join(" "), each]))
      : cheapest(item, (option) => (option.limits ?? []).join(" "));
    for (const option of byLimits.values()) {
      const { cost, limits = [] } = item.options[option]!;
      const each: Cost = slotted ? free : [cost[0] / milliamps, cost[1] / milliamps];
      tried.push({ at, option, milliamps, edge: flow.edge(node, limitNode(limits), milliamps, each) });
    }
    // One that may go without a place lends nothing where it does.
    if (slotted) flow.edge(node, flow.sink, milliamps, free);
  });
  const bound = sumCost([flow.run(), ...still]);
  const most = items.map(() => 0);
  for (const { at, option, edge } of tried) {
    const part = flow.on(edge);
    if (part <= most[at]! + 1e-9) continue;
    most[at] = part;
    if (!takesSlots(items[at]!)) picks[at] = option;
  }
  return { bound, picks };
}
