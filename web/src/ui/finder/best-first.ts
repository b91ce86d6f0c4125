import { matchSorter, rankings } from "match-sorter";

/** Something that can be found: what is read of it, and every word it is looked for by. */
export interface Findable {
  id: string;
  text: string;
  /** What it is, in a line below. */
  says?: string;
  /** Further words it is found by; they are not shown. */
  words?: string;
  /** The head it stands under. */
  group: string;
  /** True for what can be chosen and will not do: it stands below what will. */
  isUnfit?: boolean;
}

/** Of some things those in which every word of a query occurs, the likeliest first; all of them, as they came, without a query. What does not fit stands last. */
export function bestFirst<T extends Findable>(things: readonly T[], query: string): T[] {
  const words = query.trim().split(/\s+/).filter(Boolean);
  const found = words.reduceRight<T[]>(
    (left, word) =>
      matchSorter(left, word, {
        keys: ["text", "words", "says"],
        threshold: rankings.CONTAINS,
        // As they came, where they are equally likely.
        baseSort: () => 0,
      }),
    [...things],
  );
  return [...found.filter((thing) => !thing.isUnfit), ...found.filter((thing) => thing.isUnfit)];
}

/** Things under their heads: heads in the order in which they are met. */
export function underHeads<T extends Findable>(things: readonly T[]): { head: string; things: T[] }[] {
  const heads = new Map<string, T[]>();
  for (const thing of things) heads.set(thing.group, [...(heads.get(thing.group) ?? []), thing]);
  return [...heads].map(([head, under]) => ({ head, things: under }));
}
