/** A cost in ranks, the gravest first; two costs compare as words in a dictionary do. */
export type Cost = readonly number[];

/** One way to place an item: what it costs by itself, and what it takes of shared resources. */
export interface Option<T> {
  choice: T;
  cost: Cost;
  uses: readonly { resource: string; amount: number }[];
}

/** Something to place. Without an option left it stays unplaced, at this cost. */
export interface Item<T> {
  options: readonly Option<T>[];
  unplaced: Cost;
}

/** Something options share. `price` is what a use in all costs and must not fall as use grows; `limit` is never passed. */
export interface Resource {
  limit?: number;
  price?: (used: number) => Cost;
}

/** The best assignment: for each item its choice, or undefined where it stays unplaced. */
export interface Assignment<T> {
  choices: (T | undefined)[];
  cost: number[];
  /** False when the search was cut short: the best met so far, not proved to be the best there is. */
  proved: boolean;
}

/** Placements tried before a search is cut short: a second or two of work, far beyond what any sensible job needs. */
const mostVisits = 400_000;

/** Negative when a is better, 0 when alike, positive when worse. */
export function compareCost(a: Cost, b: Cost): number {
  for (let rank = 0; rank < Math.max(a.length, b.length); rank++) {
    const difference = (a[rank] ?? 0) - (b[rank] ?? 0);
    if (Math.abs(difference) > 1e-9) return difference;
  }
  return 0;
}

function add(a: Cost, b: Cost, sign = 1): number[] {
  return Array.from(
    { length: Math.max(a.length, b.length) },
    (_, rank) => (a[rank] ?? 0) + sign * (b[rank] ?? 0),
  );
}

function cheapest<T>(item: Item<T>): Cost {
  return item.options.reduce<Cost>(
    (best, option) => (compareCost(option.cost, best) < 0 ? option.cost : best),
    item.unplaced,
  );
}

/**
 * Places every item at the least total cost, exactly: depth-first branch and bound, items with the fewest options first.
 * Items that are alike in every option are interchangeable, so only one order of each such group is tried.
 * What is left to place is bounded by each item's cheapest option, which never overstates, as resource prices only grow.
 * Of equally good assignments the one met first is kept, so a run repeats.
 */
export function assign<T>(
  items: readonly Item<T>[],
  resources: Readonly<Record<string, Resource>>,
): Assignment<T> {
  const sorted = items.map((item) => [...item.options].sort((a, b) => compareCost(a.cost, b.cost)));
  const signatures = sorted.map((options, at) =>
    JSON.stringify([options.map(({ cost, uses }) => [cost, uses]), items[at]!.unplaced]),
  );
  const order = items
    .map((_, at) => at)
    .sort(
      (a, b) =>
        items[a]!.options.length - items[b]!.options.length ||
        (signatures[a]! < signatures[b]! ? -1 : signatures[a]! > signatures[b]! ? 1 : a - b),
    );
  const twins = order.map((at, depth) =>
    depth > 0 && signatures[at] === signatures[order[depth - 1]!] ? order[depth - 1]! : undefined,
  );
  const taken: number[] = items.map(() => 0);
  const bounds: Cost[] = [[]];
  for (let at = order.length - 1; at >= 0; at--)
    bounds.unshift(add(bounds[0]!, cheapest(items[order[at]!]!)));

  const used: Record<string, number> = {};
  const choices: (T | undefined)[] = items.map(() => undefined);
  let best: Omit<Assignment<T>, "proved"> | undefined;
  let visits = 0;

  /** Takes the option's resources and returns what they add to the price; undefined, with nothing taken, past a limit. */
  function take(option: Option<T>): number[] | undefined {
    const before = { ...used };
    let price: number[] = [];
    for (const { resource, amount } of option.uses) {
      const { limit, price: priceOf } = resources[resource] ?? {};
      const was = used[resource] ?? 0;
      if (limit !== undefined && was + amount > limit) {
        for (const each of option.uses) used[each.resource] = before[each.resource] ?? 0;
        return undefined;
      }
      used[resource] = was + amount;
      if (priceOf) price = add(price, add(priceOf(was + amount), priceOf(was), -1));
    }
    return price;
  }

  function visit(depth: number, cost: number[]): void {
    if (++visits > mostVisits && best) return;
    if (best && compareCost(add(cost, bounds[depth]!), best.cost) >= 0) return;
    const at = order[depth];
    if (at === undefined) {
      best = { choices: [...choices], cost };
      return;
    }
    const twin = twins[depth];
    const options = sorted[at]!;
    for (let index = twin === undefined ? 0 : taken[twin]!; index < options.length; index++) {
      const option = options[index]!;
      const price = take(option);
      if (!price) continue;
      choices[at] = option.choice;
      taken[at] = index;
      visit(depth + 1, add(add(cost, option.cost), price));
      for (const { resource, amount } of option.uses) used[resource]! -= amount;
    }
    choices[at] = undefined;
    taken[at] = options.length;
    visit(depth + 1, add(cost, items[at]!.unplaced));
  }

  visit(0, []);
  return { choices, cost: [], ...best, proved: visits <= mostVisits };
}
