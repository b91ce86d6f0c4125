import type { BoardProfile } from "../board/index.ts";
import { assign, type Cost, type Item, type Option, type Resource } from "./assign.ts";
import { demandsOf, madeRails, placesFor, type Demand, type Place, type SiteDevice } from "./demand.ts";

/** A demand with the place found for it; undefined where there is none. */
export interface Placement {
  demand: Demand;
  place: Place | undefined;
}

/** Ranks of the cost: what stays without a place, milliamps over a limit, contacts sharing an input, distance from the best place. */
const unplaced: Cost = [1, 0, 0, 0];

/** Id of the limit a place draws on: a budget, a rail's own, or a made rail's. */
export function limitOf(place: Place): { id: string; limitMilliamps: number } | undefined {
  if (place.kind === "made")
    return {
      id: `${place.made.device}/${place.made.rail.id}`,
      limitMilliamps: place.made.rail.limitMilliamps,
    };
  if (place.kind === "rail" && place.rail.limitMilliamps)
    return { id: place.rail.id, limitMilliamps: place.rail.limitMilliamps };
  return undefined;
}

function optionFor(demand: Demand, place: Place, rank: number): Option<Place> {
  const cost: Cost = [0, 0, 0, rank];
  if (demand.kind === "contact")
    return {
      choice: place,
      cost,
      uses: [{ resource: `input ${place.kind === "input" ? place.input.id : ""}`, amount: 1 }],
    };
  const uses: { resource: string; amount: number }[] = [];
  const milliamps = demand.supply.milliamps.working;
  const own = limitOf(place);
  if (own) uses.push({ resource: `limit ${own.id}`, amount: milliamps });
  if (place.kind === "rail" && place.rail.budget)
    uses.push({ resource: `budget ${place.rail.budget}`, amount: milliamps });
  if (demand.duty.startsWith("drive") && place.kind === "rail")
    uses.push({ resource: `drive ${place.rail.id}`, amount: 1 });
  return { choice: place, cost, uses };
}

function resourcesOf(board: BoardProfile, devices: readonly SiteDevice[]): Record<string, Resource> {
  const over = (limit: number): Resource => ({ price: (used) => [0, Math.max(0, used - limit)] });
  const resources: Record<string, Resource> = {};
  for (const input of board.inputs)
    resources[`input ${input.id}`] = { price: (used) => [0, 0, Math.max(0, used - 1)] };
  for (const budget of board.budgets) resources[`budget ${budget.id}`] = over(budget.limitMilliamps);
  for (const rail of board.rails) {
    if (rail.limitMilliamps) resources[`limit ${rail.id}`] = over(rail.limitMilliamps);
    // One drive an output: two on one would run with one's limits and the other's force.
    resources[`drive ${rail.id}`] = { limit: 1 };
  }
  for (const { device, rail } of madeRails(devices))
    resources[`limit ${device}/${rail.id}`] = over(rail.limitMilliamps);
  return resources;
}

/** The demands of these devices as items of the exact assignment; exported for checks against a slower search. */
export function itemsOf(board: BoardProfile, devices: readonly SiteDevice[]): Item<Place>[] {
  const made = madeRails(devices);
  return demandsOf(devices).map((demand) => ({
    options: placesFor(demand, board, made).map(({ place, rank }) => optionFor(demand, place, rank)),
    unplaced,
  }));
}

/**
 * Finds the place of every contact and supply, exactly and best by, in this order: everything placed, no limit passed,
 * an input for each contact before any shares one, the place made for it before another. Contacts on one input chain:
 * normally closed in series, normally open in parallel.
 * @returns the placements in the order of the demands, and the cost in those four ranks
 */
export function placeDevices(
  board: BoardProfile,
  devices: readonly SiteDevice[],
): { placements: Placement[]; cost: number[]; proved: boolean } {
  const demands = demandsOf(devices);
  const { choices, cost, proved } = assign(itemsOf(board, devices), resourcesOf(board, devices));
  return { placements: demands.map((demand, at) => ({ demand, place: choices[at] })), cost, proved };
}
