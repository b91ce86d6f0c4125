import type { Numbered, NumberedItem, Way } from "./numbered.ts";

/** The grave cost of a way at most; Infinity where its slots may be full. */
const mostGrave = ({ cost, slots }: Way, { prices }: Numbered): number =>
  slots.reduce((sum, slot) => sum + (prices[slot]!.at(-1)?.[0] ?? 0), cost[0]);

/**
 * True of an item whose current loads the same limits whichever way it goes, and that has a way which is always open and
 * worth taking: what it draws is settled, wherever it is placed.
 */
function isSteady({ ways, unplaced, milliamps }: NumberedItem, problem: Numbered): boolean {
  const [first] = ways;
  if (!first || milliamps <= 0) return false;
  if (ways.some(({ limits }) => limits.join() !== first.limits.join())) return false;
  const placed = Math.min(...ways.map((way) => mostGrave(way, problem)));
  return placed + milliamps * first.limits.length < unplaced[0];
}

/** A problem without the currents that are settled from the start, and what those load each limit with, mA. */
export function apartFromSteady(problem: Numbered): { problem: Numbered; loads: readonly number[] } {
  const loads = problem.bears.map(() => 0);
  const items = problem.items.map((item) => {
    if (!isSteady(item, problem)) return item;
    for (const limit of item.ways[0]!.limits) loads[limit]! += item.milliamps;
    return { ...item, milliamps: 0, ways: item.ways.map((way) => ({ ...way, limits: [] })) };
  });
  return { problem: { ...problem, items }, loads };
}
