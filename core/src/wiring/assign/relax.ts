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

/** Open items, those that are alike together: what they are, and their places among the open ones. */
function gathered({ items }: Numbered, open: readonly number[]): { item: NumberedItem; members: number[] }[] {
  const groups = new Map<number, { item: NumberedItem; members: number[] }>();
  open.forEach((each, at) => {
    const item = items[each]!;
    const own = groups.get(item.like) ?? { item, members: [] };
    own.members.push(at);
    groups.set(item.like, own);
  });
  return [...groups.values()];
}

/** Uses of a slot that cost the same, from the nth on to the nth: an edge of the net. */
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
  readonly #groups: { members: readonly number[]; ways: { way: number | undefined; edge: number }[] }[] = [];
  readonly #problem: Numbered;
  readonly #open: readonly number[];

  constructor(problem: Numbered, open: readonly number[]) {
    this.#problem = problem;
    this.#open = open;
    for (const { item, members } of gathered(problem, open))
      if (item.takesSlots) this.#addGroup(item, members);
    for (const [slot, { node, uses }] of this.#slots)
      problem.prices[slot]!.forEach((price, n) => {
        if (!Number.isFinite(price[0])) return;
        const before = problem.prices[slot]![n - 1];
        if (before && compareCost(before, price) === 0) uses.at(-1)!.to = n + 1;
        else uses.push({ from: n + 1, to: n + 1, edge: this.#flow.edge(node, this.#flow.sink, 0, price) });
      });
  }

  #addGroup({ ways, unplaced }: NumberedItem, members: readonly number[]): void {
    const flow = this.#flow;
    const node = flow.node();
    const { length } = members;
    flow.edge(flow.source, node, length, free);
    const edges = [...cheapest(ways, ({ slots }) => slots[0])].map(([slot, way]) => ({
      way,
      edge: flow.edge(node, this.#slotNode(slot, length), length, ways[way]!.cost),
    }));
    const out = { way: undefined, edge: flow.edge(node, flow.sink, length, unplaced) };
    this.#groups.push({ members, ways: [...edges, out] });
  }

  #slotNode(slot: number | undefined, users: number): number {
    if (slot === undefined) return this.#flow.sink;
    const known = this.#slots.get(slot) ?? { node: this.#flow.node(), users: 0, uses: [] };
    known.users += users;
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
    for (const { members, ways } of this.#groups) {
      let nth = 0;
      for (const { way, edge } of ways)
        for (let left = Math.round(this.#flow.on(edge)); left > 0; left--) {
          const at = members[nth++]!;
          picks[at] = way;
          truly.take(this.#open[at]!, way ?? leftOut);
        }
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
  readonly #groups: {
    members: readonly number[];
    milliamps: number;
    ways: { way: number; edge: number }[];
  }[] = [];
  /** The ways of what carries no current, and what they cost. */
  readonly #picks: (number | undefined)[];
  #still: Cost = free;

  constructor(problem: Numbered, open: readonly number[]) {
    this.#problem = problem;
    this.#open = open;
    this.#picks = open.map(() => undefined);
    for (const { item, members } of gathered(problem, open))
      if (item.ways.length && item.milliamps > 0) this.#addGroup(item, members);
      else if (!item.takesSlots) for (const at of members) this.#settle(item, at);
  }

  #settle({ ways, unplaced }: NumberedItem, at: number): void {
    const [way] = cheapest(ways, () => "").values();
    this.#picks[at] = way;
    this.#still = addCost(this.#still, way === undefined ? unplaced : ways[way]!.cost);
  }

  #addGroup({ ways, milliamps, takesSlots }: NumberedItem, members: readonly number[]): void {
    const flow = this.#flow;
    const node = flow.node();
    const all = milliamps * members.length;
    flow.edge(flow.source, node, all, free);
    const edges = [...cheapest(ways, ({ limits }) => limits.join()).values()].map((way) => {
      const { cost, limits } = ways[way]!;
      const each: Cost = takesSlots ? free : [cost[0] / milliamps, cost[1] / milliamps];
      return { way, edge: flow.edge(node, this.#limitNode(limits), all, each) };
    });
    // One that may go without a place lends nothing where it does.
    if (takesSlots) flow.edge(node, flow.sink, all, free);
    else this.#groups.push({ members, milliamps, ways: edges });
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
    for (const { members, milliamps, ways } of this.#groups) {
      const left = ways.map(({ edge }) => this.#flow.on(edge));
      for (const at of members) {
        const most = left.indexOf(Math.max(...left));
        left[most]! -= milliamps;
        picks[at] = ways[most]!.way;
      }
    }
    const truly = new Decided(this.#problem);
    picks.forEach((way, index) => {
      const at = this.#open[index]!;
      if (!this.#problem.items[at]!.takesSlots) truly.take(at, way ?? leftOut);
    });
    return { bound, picks, cost: truly.cost, loads: truly.loads };
  }
}
