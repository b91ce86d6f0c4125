import { addCost, compareCost, free, sumCost, type Cost } from "./cost.ts";
import { Decided } from "./decided.ts";
import { Flow } from "./flow.ts";
import { leftOut, overLimits, type Numbered, type NumberedItem, type Way } from "./numbered.ts";

/** An easier problem's answer: a cost that bounds the true one from below, and the way of each open item behind it. */
export interface Relaxed {
  bound: Cost;
  picks: readonly (number | undefined)[];
  /** What those picks truly cost beside what is decided, apart from what passes a limit. */
  cost: Cost;
  /** Milliamps they bring on each limit. */
  loads: readonly number[];
}

/** The cheapest of some ways for each key, by its number. */
function cheapest<K>(ways: readonly Way[], keyOf: (way: Way) => K): Map<K, number> {
  const best = new Map<K, number>();
  ways.forEach((way, at) => {
    const key = keyOf(way);
    const other = best.get(key);
    if (other === undefined || compareCost(way.cost, ways[other]!.cost) < 0) best.set(key, at);
  });
  return best;
}

const open = ({ items }: Numbered, at: readonly number[]): NumberedItem[] => at.map((each) => items[each]!);

/** Uses of a slot that cost the same, from the nth to the nth: an edge of the net. */
interface Uses {
  from: number;
  to: number;
  edge: number;
}

/**
 * Open items that take slots, as a flow that leaves their currents and second slots out of account. What they cost
 * counts here. The net is laid once and run for any uses that decided items have made.
 */
export class SlotFlow {
  readonly #flow = new Flow();
  readonly #slots = new Map<number, { node: number; users: number; uses: Uses[] }>();
  readonly #tried: { at: number; way: number | undefined; edge: number }[] = [];
  readonly #problem: Numbered;
  readonly #open: readonly number[];

  constructor(problem: Numbered, at: readonly number[]) {
    this.#problem = problem;
    this.#open = at;
    open(problem, at).forEach((item, index) => {
      if (item.takesSlots) this.#addItem(item, index);
    });
    for (const [slot, { node, uses }] of this.#slots)
      problem.prices[slot]!.forEach((price, n, prices) => {
        if (!Number.isFinite(price[0])) return;
        if (n > 0 && compareCost(prices[n - 1]!, price) === 0) uses.at(-1)!.to = n + 1;
        else uses.push({ from: n + 1, to: n + 1, edge: this.#flow.edge(node, this.#flow.sink, 0, price) });
      });
  }

  #addItem({ ways, unplaced }: NumberedItem, at: number): void {
    const flow = this.#flow;
    const node = flow.node();
    flow.edge(flow.source, node, 1, free);
    for (const [slot, way] of cheapest(ways, ({ slots }) => slots[0]))
      this.#tried.push({ at, way, edge: flow.edge(node, this.#slotNode(slot), 1, ways[way]!.cost) });
    this.#tried.push({ at, way: undefined, edge: flow.edge(node, flow.sink, 1, unplaced) });
  }

  #slotNode(slot: number | undefined): number {
    if (slot === undefined) return this.#flow.sink;
    const known = this.#slots.get(slot) ?? { node: this.#flow.node(), users: 0, uses: [] };
    known.users += 1;
    this.#slots.set(slot, known);
    return known.node;
  }

  /** @param used how often each slot is taken already */
  run(used: readonly number[]): Relaxed {
    for (const [slot, { users, uses }] of this.#slots) {
      const before = used[slot]!;
      for (const { from, to, edge } of uses)
        this.#flow.setCapacity(
          edge,
          Math.max(0, Math.min(to, before + users) - Math.max(from, before + 1) + 1),
        );
    }
    const bound = this.#flow.run();
    const picks = this.#open.map((): number | undefined => undefined);
    const truly = new Decided(this.#problem, { uses: used });
    for (const { at, way, edge } of this.#tried) {
      if (this.#flow.on(edge) <= 0.5) continue;
      picks[at] = way;
      truly.take(this.#open[at]!, way ?? leftOut);
    }
    return { bound, picks, cost: truly.cost, loads: truly.loads };
  }
}

/**
 * Currents of open items under their limits, as a flow of milliamps in which an item may be split. Items that take
 * slots lend their current, and what they cost is left to the slots. The net is laid once and run for any loads that
 * decided items have brought.
 */
export class LoadFlow {
  readonly #problem: Numbered;
  readonly #open: readonly number[];
  readonly #flow = new Flow();
  readonly #nodes = new Map<number, { node: number; edge: number }>();
  readonly #tried: { at: number; way: number; edge: number }[] = [];
  /** The ways of what carries no current, and what they cost. */
  readonly #picks: (number | undefined)[];
  #still: Cost = free;

  constructor(problem: Numbered, at: readonly number[]) {
    this.#problem = problem;
    this.#open = at;
    this.#picks = at.map(() => undefined);
    open(problem, at).forEach((item, index) => {
      if (item.ways.length && item.milliamps > 0) this.#addItem(item, index);
      else if (!item.takesSlots) this.#settle(item, index);
    });
  }

  #settle({ ways, unplaced }: NumberedItem, at: number): void {
    const [way] = cheapest(ways, () => "").values();
    this.#picks[at] = way;
    this.#still = addCost(this.#still, way === undefined ? unplaced : ways[way]!.cost);
  }

  #addItem({ ways, milliamps, takesSlots }: NumberedItem, at: number): void {
    const flow = this.#flow;
    const node = flow.node();
    flow.edge(flow.source, node, milliamps, free);
    for (const way of cheapest(ways, ({ limits }) => limits.join()).values()) {
      const { cost, limits } = ways[way]!;
      const each: Cost = takesSlots ? free : [cost[0] / milliamps, cost[1] / milliamps];
      const edge = flow.edge(node, this.#limitNode(limits), milliamps, each);
      if (!takesSlots) this.#tried.push({ at, way, edge });
    }
    // One that may go without a place lends nothing where it does.
    if (takesSlots) flow.edge(node, flow.sink, milliamps, free);
  }

  #limitNode([limit, ...within]: readonly number[]): number {
    const flow = this.#flow;
    if (limit === undefined) return flow.sink;
    const known = this.#nodes.get(limit);
    if (known) return known.node;
    const node = flow.node();
    const next = this.#limitNode(within);
    this.#nodes.set(limit, { node, edge: flow.edge(node, next, 0, free) });
    flow.edge(node, next, Infinity, [1, 0]);
    return node;
  }

  /** @param loads milliamps on each limit already */
  run(loads: readonly number[]): Relaxed {
    const { bears } = this.#problem;
    for (const [limit, { edge }] of this.#nodes)
      this.#flow.setCapacity(edge, Math.max(0, bears[limit]! - loads[limit]!));
    const bound = sumCost([this.#flow.run(), this.#still, [overLimits(loads, bears), 0]]);
    const picks = [...this.#picks];
    const most = picks.map(() => 0);
    for (const { at, way, edge } of this.#tried) {
      const part = this.#flow.on(edge);
      if (part <= most[at]! + 1e-9) continue;
      most[at] = part;
      picks[at] = way;
    }
    const truly = new Decided(this.#problem);
    picks.forEach((way, index) => {
      const at = this.#open[index]!;
      if (!this.#problem.items[at]!.takesSlots) truly.take(at, way ?? leftOut);
    });
    return { bound, picks, cost: truly.cost, loads: truly.loads };
  }
}
