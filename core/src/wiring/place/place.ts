import type { BoardProfile } from "../../board/index.ts";
import { assign } from "../assign/index.ts";
import type { Place, SiteDevice } from "./demand.ts";
import { explain, type Placed } from "./explain.ts";
import { costOfPlan, type PlanCost } from "./preference.ts";
import { problemOf } from "./problem.ts";

/** A demand with the place found for it, undefined where there is none, and why it sits there, in a sentence. */
export interface Placement extends Placed {
  why: string;
}

/**
 * Finds the place of everything the devices need, exactly and best by, in this order: everything placed; what must
 * live on what lives; no limit passed; an input for each contact before any shares one; tested what can be; the place
 * made for it, in the block of its other cores, under a label like its name. Contacts on one input chain: normally
 * closed in series, normally open in parallel. Terminals its pins are wanted on are kept where they can be.
 */
export function placeDevices(
  board: BoardProfile,
  devices: readonly SiteDevice[],
): { placements: Placement[]; cost: PlanCost; proved: boolean } {
  const { demands, groups, shared } = problemOf(board, devices);
  const { choices, cost, proved } = assign(
    groups.map(({ item }) => item),
    shared,
  );
  const places: (Place | undefined)[] = demands.map(() => undefined);
  groups.forEach(({ members }, group) =>
    members.forEach((demand, at) => {
      places[demand] = choices[group]?.[at];
    }),
  );
  const placed = demands.map((demand, at) => ({ demand, place: places[at] }));
  const reasons = explain(board, placed);
  return {
    placements: placed.map((each, at) => ({ ...each, why: reasons[at]! })),
    cost: costOfPlan(cost),
    proved,
  };
}
