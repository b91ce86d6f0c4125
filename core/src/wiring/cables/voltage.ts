import {
  atWork,
  measureCircuit,
  situations,
  type Installation,
  type Measured,
  type PlacedDevice,
} from "../../circuit/index.ts";
import type { DeviceSupply } from "../../device/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import {
  madeRailPart,
  partKey,
  railPart,
  supplyPart,
  terminalIn,
  type Part,
  type PartKey,
} from "../../node/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import type { Core } from "../cores/index.ts";
import type { Placement } from "../place/index.ts";
import type { CablePlan } from "./cables.ts";

/** The hottest a core is taken to be, °C: the working limit of ordinary PVC. Common practice, no published source at hand. */
export const hottest = 70;
/** The coldest at which a circuit is looked at, °C: conductors are rated there. */
const coldest = 20;

/** A tenth of a volt is told; less only where it would else read like the limit that it misses. */
const volts = (value: number, limit = Infinity) => {
  const apart = [1, 2, 3].find((digits) => plainNumber(value, digits) !== plainNumber(limit, digits));
  if (apart === undefined) return `just ${value < limit ? "under" : "over"} ${plainNumber(limit)} V`;
  return `${plainNumber(value, apart)} V`;
};

/** What to do about a run that loses too much, by the size the cables of the job need. */
function lowRemedy(enough: number | undefined): string {
  if (enough === undefined) return "No cable of the usual sizes is enough: feed it from a supply nearby.";
  return `Run ${plainNumber(enough, 2)} mm² or more to it, or feed it from a supply nearby.`;
}

function lowFinding(
  device: PlacedDevice,
  supply: DeviceSupply,
  core: Core,
  rail: { label: string; volts: number },
  measured: number,
  enough: number | undefined,
): Finding {
  const { cable } = core;
  return finding(
    "voltage-low",
    [
      { kind: "device", id: device.id },
      ...[terminalIn(core.to) ?? []].flat().map((id) => ({ kind: "terminal" as const, id })),
    ],
    {
      device: device.name,
      volts: volts(measured, supply.volts.min),
      rail: `${volts(rail.volts)} of ${rail.label}`,
      cable: cable ? `${plainNumber(cable.lengthM)} m of ${plainNumber(cable.sizeMm2, 2)} mm²` : "its cores",
      least: volts(supply.volts.min),
      celsius: `${hottest} °C`,
      lost: volts(rail.volts - measured),
      remedy: lowRemedy(enough),
    },
  );
}

const measuredAt = ({ supplies }: Measured, device: PlacedDevice, supply: DeviceSupply) =>
  supplies[partKey(supplyPart(device.id, supply.id))];

const voltsAt = (measured: Measured, device: PlacedDevice, supply: DeviceSupply) =>
  Math.abs(measuredAt(measured, device, supply)?.volts ?? 0);

/** What feeds a placed supply: its rail, with what it is called and its nominal volts. */
function feedOf(place: Placement["place"]): { key: PartKey; label: string; volts: number } | undefined {
  const feed = place?.kind === "relay" ? place.feed : place;
  if (feed?.kind === "rail") {
    const { id, label, volts: nominal } = feed.rail;
    return { key: partKey(railPart(id)), label, volts: nominal };
  }
  if (feed?.kind !== "made") return undefined;
  const { device, name, rail } = feed.made;
  return { key: partKey(madeRailPart(device, rail.id)), label: name, volts: rail.volts };
}

/** True where the rail of this place gives all it can: it starves everything on it, whatever the cable. */
export function isLimited(rails: Measured["rails"], place: Placement["place"]): boolean {
  const feed = feedOf(place);
  return feed !== undefined && (rails[feed.key]?.limited ?? false);
}

function overFinding(
  device: PlacedDevice,
  supply: DeviceSupply,
  feed: { label: string; volts: number },
  measured: number,
): Finding {
  const unregulated = measured > feed.volts * 1.02;
  return finding("voltage-over", [{ kind: "device", id: device.id }], {
    device: device.name,
    volts: volts(measured, supply.volts.max),
    most: volts(supply.volts.max),
    reason: unregulated
      ? `${feed.label} has no regulation: lightly loaded it gives far more than the ${volts(feed.volts)} it is named for.`
      : `${feed.label} gives more than the device bears: it overheats or is destroyed.`,
    remedy: unregulated
      ? "Use a regulated converter."
      : "Feed it from another supply, or choose another device.",
  });
}

/** The moment in which the supply stands in this state worst; undefined where it never does. */
function worstMoment(
  moments: readonly Measured[],
  device: PlacedDevice,
  supply: DeviceSupply,
  state: "low" | "over",
) {
  const sign = state === "low" ? 1 : -1;
  return moments
    .filter((measured) => measuredAt(measured, device, supply)?.state === state)
    .sort((a, b) => sign * (voltsAt(a, device, supply) - voltsAt(b, device, supply)))[0];
}

/** Every moment that is looked at: those of work with cores as hot as they get, and all with cores cold. */
function momentsOf(at: Installation): { hot: Measured[]; cold: Measured[] } {
  return {
    hot: situations.filter(atWork).map((situation) => measureCircuit(at, { situation, celsius: hottest })),
    cold: situations.map((situation) => measureCircuit(at, { situation, celsius: coldest })),
  };
}

/** Volts that reach a supply while it lives: the least with hot cores, the most with cold ones. */
export interface Reach {
  least: number;
  most: number;
}

/** What reaches every placed supply, read from the solved circuit; nothing where it is never met. */
export function reachOf(at: Installation, placements: readonly Placement[]): Record<PartKey, Reach> {
  const { hot, cold } = momentsOf(at);
  const all = [...hot, ...cold];
  return Object.fromEntries(
    placements.flatMap(({ demand }): [PartKey, Reach][] => {
      if (demand.kind !== "supply") return [];
      const { device, supply } = demand;
      const volts = all
        .filter((measured) => (measuredAt(measured, device, supply)?.state ?? "absent") !== "absent")
        .map((measured) => voltsAt(measured, device, supply));
      if (!volts.length) return [];
      const key = partKey(supplyPart(device.id, supply.id));
      return [[key, { least: Math.min(...volts), most: Math.max(...volts) }]];
    }),
  );
}

/** A part of the circuit as people call it. */
function partText({ board, devices }: Installation, part: Part): string {
  switch (part.kind) {
    case "rail":
      return board.rails.find((rail) => rail.id === part.rail)?.label ?? part.rail;
    case "link":
      return `link ${board.links.find((link) => link.id === part.link)?.between.join("–") ?? part.link}`;
    case "wire":
      return "a core";
    default:
      return devices.find((device) => device.id === part.device)?.name ?? part.device;
  }
}

/**
 * Trap 40: every device that gets less than it needs over its cable while everything works, with cores as hot as they
 * get, a drive under its working load too; and of trap 19, every device that gets more than it bears, with cores cold.
 * Parts of which the circuit can tell nothing are named.
 */
export function voltageFindings(
  at: Installation,
  placements: readonly Placement[],
  cores: readonly Core[],
  cables: readonly CablePlan[],
): Finding[] {
  const { hot, cold } = momentsOf(at);
  const unsolved = new Map(
    [...hot, ...cold].flatMap((each) => each.unsolved).map((part) => [partKey(part), part]),
  );
  return [
    ...placements.flatMap(({ demand, place }): Finding[] => {
      const feed = feedOf(place);
      if (demand.kind !== "supply" || !feed) return [];
      const { device, supply } = demand;
      const over = worstMoment(cold, device, supply, "over");
      if (over) return [overFinding(device, supply, feed, voltsAt(over, device, supply))];
      const low = worstMoment(hot, device, supply, "low");
      const core = cores.find((each) => each.device === device.id && each.pin === supply.pins.plus);
      // A rail at its limit starves everything on it: that is told of the rail, and no cable would mend it.
      if (!low || !core || low.rails[feed.key]?.limited) return [];
      const run = cables.find(({ ends }) =>
        ends.some((end) => end.device === device.id && end.part === core.part),
      );
      return [lowFinding(device, supply, core, feed, voltsAt(low, device, supply), run?.enoughMm2)];
    }),
    ...(unsolved.size
      ? [
          finding("circuit-unsolved", [], {
            parts: listed([...new Set([...unsolved.values()].map((part) => partText(at, part)))].slice(0, 4)),
          }),
        ]
      : []),
  ];
}
