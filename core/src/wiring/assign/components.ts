import type { Item } from "./problem.ts";

/** Groups of items that share a slot or a limit by any chain of others; what shares nothing with another is settled apart. */
export function components<T>(items: readonly Item<T>[]): number[][] {
  const parent = items.map((_, at) => at);
  const find = (at: number): number => {
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  const owner = new Map<string, number>();
  items.forEach((item, at) => {
    const joins = (shared: string) => {
      const other = owner.get(shared);
      if (other === undefined) owner.set(shared, at);
      else if (other !== at) parent[find(at)] = find(other);
    };
    for (const { slot, also, limits = [] } of item.options) {
      if (slot !== undefined) joins(`slot ${slot}`);
      if (also !== undefined) joins(`slot ${also}`);
      for (const limit of limits) joins(`limit ${limit}`);
    }
  });
  const groups = new Map<number, number[]>();
  items.forEach((_, at) => {
    const own = groups.get(find(at));
    if (own) own.push(at);
    else groups.set(find(at), [at]);
  });
  return [...groups.values()];
}
