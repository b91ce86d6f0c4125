import { madeRailPart, partKey, railPart, type RailPart } from "../../node/index.ts";
import type { Place } from "./demand.ts";

/** What bounds a current: a rail's own limit, a budget that rails share, or the output of a device. */
export type Limit = RailPart | { kind: "budget"; budget: string };

/** The key of a limit: alike for the same limit, different for any two others. */
export const limitKey = (limit: Limit): string =>
  limit.kind === "budget" ? `budget ${limit.budget}` : partKey(limit);

/** Keys of the limits a place draws on, its own before the budget it shares. */
export function limitsOf(place: Place): string[] {
  const feed = place.kind === "relay" ? place.feed : place;
  if (feed.kind === "made") return [limitKey(madeRailPart(feed.made.device, feed.made.rail.id))];
  if (feed.kind !== "rail") return [];
  const { id, limitMilliamps, budget } = feed.rail;
  return [
    ...(limitMilliamps ? [limitKey(railPart(id))] : []),
    ...(budget ? [limitKey({ kind: "budget", budget })] : []),
  ];
}
