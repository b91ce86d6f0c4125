import type { BoardProfile } from "../board/index.ts";
import { atWork, railLives, situations, type Situation } from "../circuit/index.ts";
import { inputMilliamps, madeFrom, usualVolts } from "../device/index.ts";
import { loopDropVolts } from "../quantity/index.ts";
import type { Cable } from "../job/index.ts";
import { madeRails, type Demand, type SiteDevice } from "./demand.ts";
import type { Placement } from "./place.ts";
import { limitsOf } from "./preference.ts";

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
  /** Volts that reach the device at 20 °C with its working current, over its own cable alone. */
  voltsAtDevice: number;
  /** Volts it must have. */
  leastVolts: number;
}

/** What a limit carries: a rail's own, a budget that rails share, the output of a converter, or a battery. */
export interface RailLoad {
  id: string;
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
type Cables = Readonly<Record<string, Record<string, Cable>>>;

const round = (value: number) => Math.round(value * 1000) / 1000;

const bySituation = (of: (situation: Situation) => number): BySituation =>
  Object.fromEntries(situations.map((each) => [each, of(each)])) as BySituation;

function lives(place: Placement["place"], placements: readonly Placement[], situation: Situation): boolean {
  if (place?.kind === "rail") return railLives(place.rail, situation);
  if (place?.kind === "relay") return railLives(place.rail, situation) && atWork(situation);
  if (place?.kind !== "made") return false;
  const { device, rail } = place.made;
  const source = placements.find(
    ({ demand }) =>
      demand.kind === "supply" &&
      demand.device.id === device &&
      madeFrom(demand.device.profile, demand.supply).includes(rail),
  );
  return source !== undefined && lives(source.place, placements, situation);
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
        other.kind === "supply" &&
        its?.kind === "made" &&
        its.made.device === device.id &&
        its.made.rail === rail
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

function loadOf(
  demand: SupplyDemand,
  place: NonNullable<Placement["place"]>,
  placements: readonly Placement[],
  cables: Cables,
): Load {
  const { device, supply } = demand;
  const volts =
    place.kind === "made"
      ? place.made.rail.volts
      : place.kind === "rail" || place.kind === "relay"
        ? place.rail.volts
        : 0;
  const part = device.profile.pins.find((pin) => pin.id === supply.pins.plus)?.part ?? "";
  const cable = cables[device.id]?.[part];
  const strands = device.profile.parts.find((each) => each.id === part)?.strands === "solid" ? 2 : 5;
  const milliamps = bySituation((situation) => drawn(demand, place, placements, situation));
  const most = Math.max(...Object.values(milliamps));
  const drop = cable ? loopDropVolts(most, cable.sizeMm2, cable.lengthM, 20, strands) : 0;
  return {
    device: device.id,
    name: device.name,
    card: false,
    supply: supply.id,
    milliamps,
    inrushMilliamps: supply.milliamps.inrush ?? most,
    voltsAtDevice: round(volts - drop),
    leastVolts: supply.volts.min,
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
      voltsAtDevice: 0,
      leastVolts: 0,
    }));
}

interface Limit {
  id: string;
  label: string;
  rails: string[];
  limitMilliamps: number;
  counts: (placement: Placement) => boolean;
  cards: Load[];
}

function limitsOn(board: BoardProfile, devices: readonly SiteDevice[], cards: readonly string[]): Limit[] {
  const drawsOn = (id: string) => (p: Placement) => p.place !== undefined && limitsOf(p.place).includes(id);
  return [
    ...board.budgets.map((budget) => ({
      ...budget,
      rails: board.rails.filter((rail) => rail.budget === budget.id).map((rail) => rail.id),
      counts: drawsOn(`budget ${budget.id}`),
      cards: cardLoads(board, cards, budget.id),
    })),
    ...board.rails.flatMap(({ id, label, limitMilliamps }) =>
      limitMilliamps
        ? [{ id, label, rails: [id], limitMilliamps, counts: drawsOn(`rail ${id}`), cards: [] }]
        : [],
    ),
    ...madeRails(devices)
      .filter(({ rail }) => !rail.feeds.includes("panel"))
      .map(({ device, name, rail }) => ({
        id: `${device}/${rail.id}`,
        label: rail.feeds.includes("battery") ? name : `${name}, output`,
        rails: [],
        limitMilliamps: rail.limitMilliamps,
        counts: rail.feeds.includes("battery") ? onBattery : drawsOn(`made ${device}/${rail.id}`),
        cards: [],
      })),
  ];
}

const onBattery = ({ place }: Placement) => place?.kind === "rail" && railLives(place.rail, "battery");

/**
 * Every limit with what it carries in each situation, mA. A converter's input is reckoned from its output by power and
 * form factor. Drives, which the board limits by force, sit on outputs without a limit and are left out.
 */
export function railLoads(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cables: Cables,
  cards: readonly string[] = [],
): RailLoad[] {
  return limitsOn(board, devices, cards).map(({ counts, cards: sitting, ...limit }) => {
    const battery = counts === onBattery;
    const loads = [
      ...sitting,
      ...placements.filter(counts).flatMap(({ demand, place }) => {
        if (demand.kind !== "supply" || !place) return [];
        const load = loadOf(demand, place, placements, cables);
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
      ...limit,
      loads,
      milliamps,
      worst,
      restMilliamps: milliamps.idle,
      workingMilliamps: milliamps[worst],
    };
  });
}
