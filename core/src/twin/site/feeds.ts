import { bothLeaves } from "../../board/index.ts";
import { partKey, supplyPart } from "../../node/index.ts";
import { exchangedLeads } from "../../wiring/index.ts";
import { leavesOf, type Brain, type Which } from "../brain/index.ts";
import type { Plant, PlantLeaf } from "../plant/index.ts";
import type { Site } from "./site.ts";

/** What an output of the board brings to the drive that hangs on it. */
export interface Feed {
  leaf: PlantLeaf;
  /** Volts that the output gives with nothing to feed; a drive whose leads are exchanged gets them the other way. */
  volts: number;
  /** Ohms between the source and the drive: leads, joints, and what the source has inside. */
  ohms: number;
}

export type Feeds = Partial<Record<Which, Feed>>;

/** Where the motor of a leaf hangs: the output of one of the leaves, and the volts of its rail; undefined on none. */
function outputOf({ at }: Site, brain: Brain, device: string): { output: Which; volts: number } | undefined {
  const profile = at.devices.find(({ id }) => id === device)?.profile;
  const pins = profile?.supplies.find(({ duty }) => duty === "drive")?.pins;
  if (!pins) return undefined;
  const seats = at.wires.flatMap(({ from, to }) =>
    from.kind === "pin" &&
    from.device === device &&
    to.kind === "terminal" &&
    [pins.plus, pins.minus, pins.third].includes(from.pin)
      ? [to.terminal]
      : [],
  );
  const rail = brain.board.rails.find(
    ({ feeds, plus, minus, third = [] }) =>
      feeds.some((duty) => duty.startsWith("drive")) &&
      seats.filter((seat) => [...plus, ...minus, ...third].includes(seat)).length > 1,
  );
  if (!rail) return undefined;
  // A board that is set for one leaf drives the output of an only leaf, whichever that is.
  const pair = leavesOf(brain).length > 1;
  const first = rail.feeds.includes(pair ? "drive-overlapping" : "drive-only");
  return { output: first ? "first" : "second", volts: rail.volts };
}

/** What an output brings to the drive of a leaf, by what a meter finds at its motor while it moves; undefined where nothing. */
function feedOf(site: Site, volts: number, leaf: PlantLeaf, turned: boolean): Feed | undefined {
  const { device } = leaf;
  const supply = site.at.devices
    .find(({ id }) => id === device)
    ?.profile.supplies.find(({ duty }) => duty === "drive");
  const found = supply && site.measured.supplies[partKey(supplyPart(device, supply.id))];
  if (!supply) return undefined;
  // A winding that is fed in place of the other: the circuit has no third pole, and no loss is told.
  if (turned && supply.pins.third !== undefined && found?.state === "absent")
    return { leaf, volts: volts * site.feeds.volts, ohms: 0 };
  if (!found || found.state === "absent" || found.state === "wrong-kind") return undefined;
  const lost = Math.max(0, volts - Math.abs(found.volts));
  const amps = supply.milliamps.working / 1_000;
  const sign = (found.state === "reversed") !== site.feeds.turned ? -1 : 1;
  return {
    leaf,
    volts: sign * volts * site.feeds.volts,
    ohms: amps > 0 ? lost / amps : 0,
  };
}

/** What each output of the board brings, and to the drive of which leaf. */
export function feedsOf(site: Site, brain: Brain, plant: Plant): Feeds {
  const feeds: Feeds = {};
  const turned = turnedByLeads(site);
  for (const which of bothLeaves) {
    const leaf = plant.leaves[which];
    const hangs = leaf && outputOf(site, brain, leaf.device);
    const feed = hangs && feedOf(site, hangs.volts, leaf, turned.has(leaf.device));
    if (!feed) continue;
    // The leads of a direct current motor were found by its volts.
    if (turned.has(leaf.device) && !isDirect(site, leaf)) feed.volts = -feed.volts;
    feeds[hangs.output] = feed;
  }
  return feeds;
}

const isDirect = ({ at }: Site, { device }: PlantLeaf): boolean =>
  at.devices.find(({ id }) => id === device)?.profile.supplies.find(({ duty }) => duty === "drive")?.kind ===
  "dc";

/** Drives whose leads are exchanged on their own output: of windings and phases no meter tells it. */
function turnedByLeads({ at, planning: { wiring }, sits }: Site): ReadonlySet<string> {
  return new Set(Object.keys(sits).length ? exchangedLeads({ at, wiring, sits }).drives : []);
}
