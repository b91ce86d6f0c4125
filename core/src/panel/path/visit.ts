import { conditionParts, menuValues, type BoardProfile, type Circumstances } from "../../board/index.ts";
import { behavioursOf } from "../../controls/index.ts";
import { isIdle, isSaved, panelAtRest, type PanelState } from "../state.ts";
import type { Walk } from "./edges.ts";
import { readBack, type Change } from "./path.ts";
import { quickestWay, type Way } from "./search.ts";
import { stepsOf, type KeyStep } from "./steps.ts";

/** Several changes in one go: in the order that takes the least time, each with its keys; then the way out. */
export interface KeyVisit {
  changes: (Change & { steps: KeyStep[] })[];
  leaves: KeyStep[];
  /** Looks at the values once more whose way had to be counted. */
  readBack: KeyStep[];
  ms: number;
  /** Changes no keys lead to from here. */
  unreached: Change[];
}

/** So many changes are put in the best of all orders; more are put in a good one. */
const mostExact = 12;

interface Leg {
  way: Way;
  to: PanelState;
}

/** Ways between changes, each found once: those from one place, with the same entries shown, are the same. */
class Legs {
  private readonly known = new Map<string, Leg | undefined>();
  private readonly gating: string[];

  constructor(
    readonly walk: Omit<Walk, "item">,
    readonly changes: readonly Change[],
  ) {
    const asked = walk.panel.menus.flatMap(({ items }) =>
      items.flatMap(({ when }) => (when ? conditionParts(when).behaviours : [])),
    );
    this.gating = menuValues(walk.board)
      .filter(({ item }) =>
        behavioursOf(item.number ? [item.number] : (item.choices ?? [])).some((id) => asked.includes(id)),
      )
      .map(({ item }) => item.id);
  }

  private keyOf({ path, values, kept }: PanelState, what: string): string {
    return JSON.stringify([what, path, this.gating.map((id) => values[id]), isSaved({ values, kept })]);
  }

  /** The way that makes one change, from a state in which some are made. */
  to(from: PanelState, { item, to }: Change): Leg | undefined {
    const onSave = this.walk.panel.stores === "on save";
    return this.find(
      from,
      `${item}=${to}`,
      { ...this.walk, item, to },
      (state) => state.editing === undefined && (onSave ? state.values : state.kept)[item] === to,
    );
  }

  /** The way out, with everything kept. */
  out(from: PanelState): Leg | undefined {
    return this.find(from, "out", this.walk, isIdle);
  }

  private find(
    from: PanelState,
    what: string,
    walk: Walk,
    ends: (state: PanelState) => boolean,
  ): Leg | undefined {
    const key = this.keyOf(from, what);
    if (!this.known.has(key)) {
      const way = quickestWay(walk, from, ends);
      this.known.set(key, way && { way, to: way.to });
    }
    const leg = this.known.get(key);
    if (!leg) return undefined;
    // Found with other values perhaps: what was set before stays set.
    const { item } = walk;
    const values = item === undefined ? from.values : { ...from.values, [item]: leg.to.values[item]! };
    const kept = isSaved(leg.to)
      ? values
      : item === undefined
        ? from.kept
        : { ...from.kept, [item]: leg.to.kept[item]! };
    return { way: leg.way, to: { ...leg.to, values, kept } };
  }
}

interface Plan {
  ms: number;
  at: PanelState;
  order: readonly number[];
}

/** The plan with one change more; undefined where no keys lead there. */
function further(legs: Legs, { ms, at, order }: Plan, next: number): Plan | undefined {
  const leg = legs.to(at, legs.changes[next]!);
  return leg && { ms: ms + leg.way.ms, at: leg.to, order: [...order, next] };
}

const whole = (legs: Legs, plan: Plan): number => plan.ms + (legs.out(plan.at)?.way.ms ?? Infinity);

/** The best order of all, by the method of Held and Karp: for each set of changes made and the last of them, the quickest. */
function bestOrder(legs: Legs, from: PanelState): Plan | undefined {
  const all = legs.changes.length;
  let plans = new Map<string, Plan>([["0:", { ms: 0, at: from, order: [] }]]);
  for (let made = 0; made < all; made += 1) {
    const next = new Map<string, Plan>();
    for (const [key, plan] of plans) {
      const set = Number(key.split(":")[0]);
      for (let n = 0; n < all; n += 1) {
        if (set & (1 << n)) continue;
        const more = further(legs, plan, n);
        const id = `${set | (1 << n)}:${n}`;
        if (more && more.ms < (next.get(id)?.ms ?? Infinity)) next.set(id, more);
      }
    }
    plans = next;
  }
  return [...plans.values()].sort((a, b) => whole(legs, a) - whole(legs, b))[0];
}

const follow = (legs: Legs, from: PanelState, order: readonly number[]): Plan | undefined =>
  order.reduce<Plan | undefined>((plan, n) => plan && further(legs, plan, n), { ms: 0, at: from, order: [] });

/** Always on to the nearest, for as long as keys lead to one that is left. */
function nearestFirst(legs: Legs, from: PanelState): Plan {
  let plan: Plan = { ms: 0, at: from, order: [] };
  while (plan.order.length < legs.changes.length) {
    const at = plan;
    const [next] = legs.changes
      .flatMap((_, n) => (at.order.includes(n) ? [] : (further(legs, at, n) ?? [])))
      .sort((one, other) => one.ms - other.ms);
    if (!next) break;
    plan = next;
  }
  return plan;
}

/** The order with a part of it turned round, or moved to another place. */
const variants = (order: readonly number[], from: number, to: number): number[][] => {
  const part = order.slice(from, to + 1);
  const rest = [...order.slice(0, from), ...order.slice(to + 1)];
  return [
    [...order.slice(0, from), ...part.toReversed(), ...order.slice(to + 1)],
    ...rest.map((_, at) => [...rest.slice(0, at), ...part, ...rest.slice(at)]),
    [...rest, ...part],
  ];
};

/** Longest part of an order that is moved as one. */
const longestPart = 3;

/** A good order of many: to the nearest first, or as they are listed, then mended part by part for as long as that is quicker. */
function goodOrder(legs: Legs, from: PanelState): Plan {
  const listed = follow(
    legs,
    from,
    legs.changes.map((_, n) => n),
  );
  const begun = [nearestFirst(legs, from), ...(listed ? [listed] : [])];
  let plan = begun.sort((a, b) => b.order.length - a.order.length || whole(legs, a) - whole(legs, b))[0]!;
  for (let better = true; better;) {
    better = false;
    const { order } = plan;
    for (let start = 0; start < order.length; start += 1)
      for (let end = start; end < Math.min(order.length, start + longestPart); end += 1)
        for (const other of variants(order, start, end)) {
          const tried = follow(legs, from, other);
          if (!tried || whole(legs, tried) >= whole(legs, plan)) continue;
          plan = tried;
          better = true;
        }
  }
  return plan;
}

/** Changes that keys lead to once the others are made, or before. */
function reachable(legs: Legs, from: PanelState): Change[] {
  const values = Object.fromEntries(legs.changes.map(({ item, to }) => [item, to]));
  return legs.changes.filter((change) => {
    const others = { ...from.values, ...values, [change.item]: from.values[change.item]! };
    return legs.to(from, change) ?? legs.to({ ...from, values: others, kept: others }, change);
  });
}

/**
 * Keys for several changes, in the order that takes the least time: exact up to a dozen. A value that brings another entry
 * up is set before it. Undefined on a board without a panel.
 */
export function planVisit(
  board: BoardProfile,
  ask: Circumstances,
  changes: readonly Change[],
  from: PanelState = panelAtRest(board),
): KeyVisit | undefined {
  const { panel } = board;
  if (!panel) return undefined;
  const walk = { board, panel, ask };
  const wanted = changes.filter(({ item, to }) => from.kept[item] !== to);
  const can = reachable(new Legs(walk, wanted), from);
  const legs = new Legs(walk, can);
  // Where one change takes the way to another, as many as can be are made.
  const best = can.length > mostExact ? goodOrder(legs, from) : bestOrder(legs, from);
  const { order } = best ?? nearestFirst(legs, from);
  let at = from;
  const made = order.map((n) => {
    const change = can[n]!;
    const leg = legs.to(at, change)!;
    const steps = stepsOf({ ...walk, ...change }, at, leg.way);
    at = leg.to;
    return { ...change, steps };
  });
  const out = legs.out(at);
  const leaves = out ? stepsOf(walk, at, out.way) : [];
  const end = leaves.at(-1)?.after ?? at;
  const counted = made.filter(({ steps }) => steps.some((step) => step.counted !== undefined));
  const again = counted.flatMap((change) => readBack(walk, end, change));
  const steps = [...made.flatMap((each) => each.steps), ...leaves];
  return {
    changes: made,
    leaves,
    readBack: again,
    ms: steps.reduce((sum, { ms }) => sum + ms, 0),
    unreached: wanted.filter((change) => !made.some(({ item }) => item === change.item)),
  };
}
