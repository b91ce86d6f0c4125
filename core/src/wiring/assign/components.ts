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
    for (const { slot, also, limits = [] } of item.options)
      for (const shared of [
        ...[slot, also].flatMap((each) => (each === undefined ? [] : [`slot ${each}`])),
        ...limits.map((limit) => `limit ${limit}`),
      ]) {
        const other = owner.get(shared);
        if (other === undefined) owner.set(shared, at);
        else parent[find(at)] = find(other);
      }
  });
  const groups = new Map<number, number[]>();
  items.forEach((_, at) => groups.set(find(at), [...(groups.get(find(at)) ?? []), at]));
  return [...groups.values()];
}
