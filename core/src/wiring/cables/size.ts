import { atWork, measureCircuit, situations, type Installation } from "../../circuit/index.ts";
import { conductorOhms, conductorSizesMm2 } from "../../quantity/index.ts";
import type { CablePlan } from "./cables.ts";
import type { Core } from "../cores/index.ts";
import type { SiteDevice } from "../place/index.ts";
import type { Placement } from "../place/index.ts";
import { partKey, supplyPart } from "../../node/index.ts";
import { hottest, isLimited } from "./voltage.ts";

/** Cores that a part needs at least for their strength alone, mm²; common practice. */
const leastMm2 = 0.5;

/** A part of a device as a key. */
const partId = (device: string, part: string) => `${device} ${part}`;

function resized(
  cores: readonly Core[],
  devices: readonly SiteDevice[],
  sizes: ReadonlyMap<string, number>,
): Core[] {
  return cores.map((core) => {
    const size = sizes.get(partId(core.device ?? "", core.part));
    if (!core.cable || size === undefined) return core;
    const part = devices
      .find(({ id }) => id === core.device)
      ?.profile.parts.find(({ id }) => id === core.part);
    const ohms = conductorOhms(size, core.cable.lengthM, 20, part?.strands === "solid" ? 2 : 5);
    return { ...core, ohms };
  });
}

/** Devices that get too little in some situation of work with cores as hot as they get. */
function starved(at: Installation, placements: readonly Placement[]): Set<string> {
  const low = new Set<string>();
  for (const situation of situations.filter(atWork)) {
    const { supplies, rails } = measureCircuit(at, { situation, celsius: hottest });
    for (const { demand, place } of placements)
      // A rail at its limit starves everything on it, whatever the cable.
      if (demand.kind === "supply" && !isLimited(rails, place))
        if (supplies[partKey(supplyPart(demand.device.id, demand.supply.id))]?.state === "low")
          low.add(demand.device.id);
  }
  return low;
}

/**
 * The size each cable needs, mm², so that every device has its voltage with everything at work and the cores as hot as
 * they get: all begin as thin as is usual, those of drives as they are at hand, and the cable of what still starves is
 * taken one size up until nothing does. A converter that has its own voltage gives all it can, so its cable helps nothing
 * behind it.
 * @returns for each cable its size; undefined where the thickest is not enough
 */
export function sizesEnough(
  at: Installation,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cores: readonly Core[],
  cables: readonly CablePlan[],
): Map<string, number | undefined> {
  const drives = new Set(devices.filter(({ profile }) => profile.kind === "drive").map(({ id }) => id));
  const startOf = ({ ends, sizeMm2 }: CablePlan) =>
    ends.some((end) => drives.has(end.device)) ? sizeMm2 : leastMm2;
  const sizes = new Map<string, number>(
    cables.flatMap((cable) =>
      cable.ends.map((end) => [partId(end.device, end.part), startOf(cable)] as const),
    ),
  );
  const spent = new Set<string>();
  const most = cables.length * conductorSizesMm2.length;
  for (let round = 0; round < most; round++) {
    const hungry = starved({ ...at, wires: resized(cores, devices, sizes) }, placements);
    const raise = cables.filter(
      (cable) => !spent.has(cable.id) && cable.ends.some((end) => hungry.has(end.device)),
    );
    if (!raise.length) break;
    for (const cable of raise) {
      const now = sizes.get(partId(cable.ends[0]!.device, cable.ends[0]!.part))!;
      const next = conductorSizesMm2.find((size) => size > now);
      if (next === undefined) spent.add(cable.id);
      else for (const end of cable.ends) sizes.set(partId(end.device, end.part), next);
    }
  }
  return new Map(
    cables.map((cable): [string, number | undefined] => {
      if (spent.has(cable.id)) return [cable.id, undefined];
      const [end] = cable.ends;
      return [cable.id, (end && sizes.get(partId(end.device, end.part))) ?? cable.sizeMm2];
    }),
  );
}
