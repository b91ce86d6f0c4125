import type { Demand, MadeRail } from "./demand.ts";
import { supplyMisfit } from "./fit.ts";

/**
 * Groups of devices that could feed one another round in a ring, as converters could: none of them would ever get
 * anything. Their rails are not offered to one another.
 * @returns for each such device, the others of its ring and itself
 */
export function feedRings(demands: readonly Demand[], made: readonly MadeRail[]): Map<string, Set<string>> {
  const feeds = new Map<string, Set<string>>();
  for (const demand of demands)
    if (demand.kind === "supply")
      for (const { device, rail } of made)
        if (!supplyMisfit(rail, demand.supply, demand.duties))
          feeds.set(device, (feeds.get(device) ?? new Set()).add(demand.device.id));
  const reached = (from: string): Set<string> => {
    const seen = new Set<string>();
    const stack = [from];
    for (let at = stack.pop(); at !== undefined; at = stack.pop())
      for (const next of feeds.get(at) ?? [])
        if (!seen.has(next)) {
          seen.add(next);
          stack.push(next);
        }
    return seen;
  };
  const reach = new Map([...feeds.keys()].map((device) => [device, reached(device)]));
  return new Map(
    [...reach]
      .filter(([device, seen]) => seen.has(device))
      .map(([device, seen]) => [device, new Set([...seen].filter((other) => reach.get(other)?.has(device)))]),
  );
}
