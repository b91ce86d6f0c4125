import type { BoardProfile } from "../../board/index.ts";
import type { Cost, Item, Option, Shared } from "../assign/index.ts";
import { demandsOf, madeRails, type Demand, type MadeRail, type Place, type SiteDevice } from "./demand.ts";
import { honoursPins, placesFor, type RankedPlace } from "./fit.ts";
import { limitKey, limitsOf } from "./limit.ts";
import { distance, homeBlock, misled, outputSlot, slotOf, testedBy, unplaced, weight } from "./preference.ts";
import { madeRailPart, railPart } from "../../node/index.ts";
import { feedRings } from "./rings.ts";

function optionFor(demand: Demand, ranked: RankedPlace, board: BoardProfile, home?: string): Option<Place[]> {
  const { place } = ranked;
  const slot = slotOf(demand, place);
  return {
    choice: [place],
    cost: [misled(demand, place) ? weight.misled : 0, distance(demand, ranked, board, home)],
    ...(slot === undefined ? {} : { slot }),
    ...(place.kind === "relay" && place.third ? { also: outputSlot(place.third) } : {}),
    limits: demand.kind === "supply" ? limitsOf(place) : [],
  };
}

/** A device's contact with the supply by which it may be tested: placed together, as the one asks for the other. */
function testedOptions(contact: Option<Place[]>[], supply: Option<Place[]>[]): Option<Place[]>[] {
  return contact.flatMap((one) =>
    supply.map((other): Option<Place[]> => {
      const tested = testedBy(one.choice[0]!, other.choice[0]!);
      return {
        ...one,
        choice: [...one.choice, ...other.choice],
        cost: [one.cost[0] + other.cost[0], one.cost[1] + other.cost[1] + (tested ? 0 : weight.untested)],
        limits: other.limits,
      };
    }),
  );
}

/** What is placed together: one demand, or a contact and the supply that tests it. */
interface Group {
  members: number[];
  item: Item<Place[]>;
}

function groupsOf(board: BoardProfile, demands: readonly Demand[], made: readonly MadeRail[]): Group[] {
  const rings = feedRings(demands, made);
  const home = new Map<string, string | undefined>();
  for (const { device } of demands)
    if (!home.has(device.id))
      home.set(
        device.id,
        homeBlock(
          board,
          demands.filter((each) => each.device === device),
          made,
        ),
      );
  const options = demands.map((demand) => {
    const able = placesFor(demand, board, made).filter(
      ({ place }) => place.kind !== "made" || !rings.get(place.made.device)?.has(demand.device.id),
    );
    const wanted = able.filter(({ place }) => honoursPins(demand, place, board));
    return (wanted.length ? wanted : able).map((ranked) =>
      optionFor(demand, ranked, board, home.get(demand.device.id)),
    );
  });
  const taken = new Set<number>();
  const pairs = demands.flatMap((demand, at): Group[] => {
    if (demand.kind !== "contact" || demand.contact.test === undefined) return [];
    const supply = demands.findIndex(
      (each) =>
        each.kind === "supply" && each.device === demand.device && each.supply.id === demand.contact.test,
    );
    const other = demands[supply];
    if (!other || other.kind !== "supply" || !options[at]!.length || !options[supply]!.length) return [];
    taken.add(at).add(supply);
    const item = {
      options: testedOptions(options[at]!, options[supply]!),
      unplaced: [2 * unplaced[0], 0] as const,
      milliamps: other.supply.milliamps.working,
    };
    return [{ members: [at, supply], item }];
  });
  const singles = demands.flatMap((demand, at): Group[] => {
    if (taken.has(at)) return [];
    const milliamps = demand.kind === "supply" ? demand.supply.milliamps.working : 0;
    return [{ members: [at], item: { options: options[at]!, unplaced, milliamps } }];
  });
  return [...pairs, ...singles];
}

/** True when contacts of this kind can share the input: plain ones in series or parallel, edges that go on at their far end. */
function chains(board: BoardProfile, id: string, demands: readonly Demand[]): boolean {
  const input = board.inputs.find((each) => each.id === id);
  if (!input) return false;
  return demands.every(
    (demand) =>
      demand.kind !== "contact" ||
      !input.takes.includes(demand.contact.duty) ||
      (demand.contact.senses ?? "contact") === "contact" ||
      demand.contact.through !== undefined,
  );
}

function sharedBy(board: BoardProfile, demands: readonly Demand[], made: readonly MadeRail[]): Shared {
  const one = (nth: number): Cost => [nth > 1 ? Infinity : 0, 0];
  const shared = (nth: number): Cost => [0, nth > 1 ? weight.chained : 0];
  return {
    slots: Object.fromEntries([
      ...board.inputs.map(({ id }) => [`input ${id}`, chains(board, id, demands) ? shared : one] as const),
      ...board.outputs.map(({ id }) => [`output ${id}`, one] as const),
      ...board.rails.map(({ id }) => [`drive ${id}`, one] as const),
      ["inlet battery", one],
      ["inlet panel", one],
    ]),
    limits: Object.fromEntries([
      ...board.budgets.map(
        ({ id, limitMilliamps }) => [limitKey({ kind: "budget", budget: id }), limitMilliamps] as const,
      ),
      ...board.rails.flatMap(({ id, limitMilliamps }) =>
        limitMilliamps ? [[limitKey(railPart(id)), limitMilliamps] as const] : [],
      ),
      ...made.map(
        ({ device, rail }) => [limitKey(madeRailPart(device, rail.id)), rail.limitMilliamps] as const,
      ),
    ]),
  };
}

/** The demands of these devices as the exact assignment sees them; exported for checks against other ways to solve it. */
export function problemOf(
  board: BoardProfile,
  devices: readonly SiteDevice[],
): { groups: Group[]; shared: Shared; demands: Demand[] } {
  const demands = demandsOf(devices);
  const made = madeRails(devices);
  return { demands, groups: groupsOf(board, demands, made), shared: sharedBy(board, demands, made) };
}
