import { behaviour, type BehaviourId, type BehaviourValue, type SetsValue } from "../board/index.ts";

/** Values wanted of behaviours. */
export type Wishes = Readonly<Partial<Record<BehaviourId, BehaviourValue>>>;

/** How far given values are from wanted ones: words that differ first, then numbers relative to their range. */
export interface Misfit {
  differing: number;
  distance: number;
}

/** True for what differs in kind rather than in size: words, on or off, and counts such as the number of leaves. */
export function isDiscrete(id: BehaviourId): boolean {
  return behaviour(id).type !== "number" || behaviour(id).unit === "";
}

/** How far what a position gives is from what is wanted; behaviours nobody asked for do not count. */
export function misfit(
  given: Readonly<Partial<Record<BehaviourId, BehaviourValue>>>,
  wishes: Wishes,
  ids: readonly BehaviourId[],
): Misfit {
  const result: Misfit = { differing: 0, distance: 0 };
  for (const id of ids) {
    const wanted = wishes[id];
    if (wanted === undefined) continue;
    const value = given[id];
    if (!isDiscrete(id) && typeof wanted === "number" && typeof value === "number")
      result.distance += Math.abs(value - wanted) / Math.max(1, Math.abs(wanted));
    else if (value !== wanted) result.differing += 1;
  }
  return result;
}

/** Negative when a fits better. */
export function compareMisfit(a: Misfit, b: Misfit): number {
  if (a.differing !== b.differing) return a.differing - b.differing;
  return Math.abs(a.distance - b.distance) < 1e-9 ? 0 : a.distance - b.distance;
}

/** The behaviours that any of these rows or zones sets. */
export function behavioursOf(parts: readonly { sets: Record<string, SetsValue> }[]): BehaviourId[] {
  return [...new Set(parts.flatMap((part) => Object.keys(part.sets)))] as BehaviourId[];
}
