import type { BoardProfile } from "../../board/index.ts";
import { atWork, pullsIn, railLives, situations, type Situation } from "../../circuit/index.ts";
import { inputMilliamps, madeFrom, usualVolts } from "../../device/index.ts";
import { madeRailPart, railPart } from "../../node/index.ts";
import {
  limitKey,
  limitsOf,
  feederOf,
  madeRails,
  type Demand,
  type Limit,
  type MadeRail,
  type Placement,
  type RelayPlace,
  type SiteDevice,
} from "../place/index.ts";

/** Milliamps in each situation. */
export type BySituation = Record<Situation, number>;

/** What one device, or one card of the board, draws on a limit. */
export interface Load {
  device: string;
  name: string;
  /** True for a card that sits on the board. */
  card: boolean;
  supply: string;
  milliamps: BySituation;
  /** For a moment as it is switched on, mA. */
  inrushMilliamps: number;
}

/** What a limit carries: a rail's own, a budget that rails share, the output of a converter, or a battery. */
export interface RailLoad {
  limit: Limit;
  label: string;
  rails: string[];
  limitMilliamps: number;
  loads: Load[];
  milliamps: BySituation;
  /** The situation in which it carries most. */
  worst: Situation;
  restMilliamps: number;
  workingMilliamps: number;
}

type SupplyDemand = Extract<Demand, { kind: "supply" }>;
interface SupplyPlacement {
  demand: SupplyDemand;
  place: NonNullable<Placement["place"]>;
}

const bySituation = (of: (situation: Situation) => number): BySituation =>
  Object.fromEntries(situations.map((each) => [each, of(each)])) as BySituation;

/** True while one of a relay's contacts feeds its load. */
const relayLives = ({ task, third, rests }: RelayPlace, situation: Situation) =>
  pullsIn(task, situation) !== (rests ?? false) || (third !== undefined && pullsIn(third.task, situation));

function lives(place: Placement["place"], placements: readonly Placement[], situation: Situation): boolean {
  switch (place?.kind) {
    case "rail":
      return railLives(place.rail, situation);
    case "relay":
      return (
        relayLives(place, situation) &&
        (place.feed.kind === "spur" || lives(place.feed, placements, situation))
      );
    case "made": {
      const source = feederOf(place.made, placements);
      return source !== undefined && lives(source.place, placements, situation);
    }
    default:
      return false;
  }
}

/** The rail of a device that feeds this place, by way of a relay or not. */
function madeFor(place: Placement["place"]): MadeRail | undefined {
  const feed = place?.kind === "relay" ? place.feed : place;
  return feed?.kind === "made" ? feed.made : undefined;
}

/** What a placed supply draws in a situation, mA: a converter by what hangs on it, and nothing on a rail that sleeps. */
function drawn(
  demand: SupplyDemand,
  place: Placement["place"],
  placements: readonly Placement[],
  situation: Situation,
): number {
  if (!lives(place, placements, situation)) return 0;
  const { device, supply } = demand;
  const { rest, working } = supply.milliamps;
  const rails = madeFrom(device.profile, supply);
  if (!rails.length) return atWork(situation) ? working : rest;
  const asked = rails.map((rail) => {
    const output = placements.reduce(
      (sum, { demand: other, place: its }) =>
        other.kind === "supply" && madeFor(its)?.device === device.id && madeFor(its)?.rail === rail
          ? sum + drawn(other, its, placements, situation)
          : sum,
      0,
    );
    return inputMilliamps(rail, supply, output, usualVolts(supply));
  });
  return Math.max(
    rest,
    asked.reduce((sum, each) => sum + each, 0),
  );
}

function loadOf({ demand, place }: SupplyPlacement, placements: readonly Placement[]): Load {
  const { device, supply } = demand;
  const milliamps = bySituation((situation) => drawn(demand, place, placements, situation));
  return {
    device: device.id,
    name: device.name,
    card: false,
    supply: supply.id,
    milliamps,
    inrushMilliamps: supply.milliamps.inrush ?? Math.max(...Object.values(milliamps)),
  };
}

function cardLoads(board: BoardProfile, cards: readonly string[], budget: string): Load[] {
  return board.cards
    .filter((card) => cards.includes(card.id) && card.budget === budget && card.milliamps > 0)
    .map((card) => ({
      device: card.id,
      name: card.name,
      card: true,
      supply: "card",
      milliamps: bySituation(() => card.milliamps),
      inrushMilliamps: card.milliamps,
    }));
}

interface Bound {
  limit: Limit;
  label: string;
  rails: string[];
  limitMilliamps: number;
  counts: (placement: Placement) => boolean;
  cards: Load[];
}

const drawsOn = (limit: Limit) => (placement: Placement) =>
  placement.place !== undefined && limitsOf(placement.place).includes(limitKey(limit));

function boundsOn(board: BoardProfile, devices: readonly SiteDevice[], cards: readonly string[]): Bound[] {
  const budgets = board.budgets.map(({ id, label, limitMilliamps }): Bound => {
    const limit: Limit = { kind: "budget", budget: id };
    const rails = board.rails.filter((rail) => rail.budget === id).map((rail) => rail.id);
    return {
      limit,
      label,
      rails,
      limitMilliamps,
      counts: drawsOn(limit),
      cards: cardLoads(board, cards, id),
    };
  });
  const rails = board.rails.flatMap(({ id, label, limitMilliamps }): Bound[] => {
    const limit = railPart(id);
    return limitMilliamps
      ? [{ limit, label, rails: [id], limitMilliamps, counts: drawsOn(limit), cards: [] }]
      : [];
  });
  const made = madeRails(devices)
    .filter(({ rail }) => !rail.feeds.includes("panel"))
    .map(({ device, name, rail }): Bound => {
      const limit = madeRailPart(device, rail.id);
      const battery = rail.feeds.includes("battery");
      return {
        limit,
        label: battery ? name : `${name}, output`,
        rails: [],
        limitMilliamps: rail.limitMilliamps,
        counts: battery ? onBattery : drawsOn(limit),
        cards: [],
      };
    });
  return [...budgets, ...rails, ...made];
}

const onBattery = ({ place }: Placement) => place?.kind === "rail" && railLives(place.rail, "battery");

/**
 * Every limit with what it carries in each situation, mA. A converter's input is computed from its output by power and
 * form factor. Drives, which the board limits by force, sit on outputs without a limit and are left out.
 */
export function railLoads(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cards: readonly string[] = [],
): RailLoad[] {
  return boundsOn(board, devices, cards).map(({ counts, cards: sitting, ...bound }) => {
    const battery = counts === onBattery;
    const loads = [
      ...sitting,
      ...placements.filter(counts).flatMap(({ demand, place }) => {
        if (demand.kind !== "supply" || !place) return [];
        const load = loadOf({ demand, place }, placements);
        const only = bySituation((each) => (each === "battery" ? load.milliamps.battery : 0));
        return [battery ? { ...load, milliamps: only, inrushMilliamps: only.battery } : load];
      }),
    ];
    const milliamps = bySituation((situation) =>
      loads.reduce((sum, load) => sum + load.milliamps[situation], 0),
    );
    const worst = situations.reduce(
      (most, each) => (milliamps[each] > milliamps[most] ? each : most),
      situations[0],
    );
    return {
      ...bound,
      loads,
      milliamps,
      worst,
      restMilliamps: milliamps.idle,
      workingMilliamps: milliamps[worst],
    };
  });
}
