import { measureCircuit, type Installation, type PlacedDevice } from "../circuit/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { conductorOhms, conductorSizesMm2, plainNumber } from "../quantity/index.ts";
import type { Core } from "./cores.ts";
import type { Placement } from "./place.ts";

/** The hottest a core is taken to be, °C: the working limit of ordinary PVC. Common practice, no published source at hand. */
const hottest = 70;

/** A tenth of a volt is told, no less. */
const volts = (value: number) => `${plainNumber(value)} V`;

/** The smallest conductor with which the device's own run loses no more than may be lost; undefined where none is enough. */
function sizeEnough(core: Core, strands: 2 | 5, milliamps: number, mayLose: number): number | undefined {
  const { cable } = core;
  return conductorSizesMm2.find(
    (size) =>
      cable !== undefined &&
      size > cable.sizeMm2 &&
      2 * conductorOhms(size, cable.lengthM, hottest, strands) * (milliamps / 1_000) <= mayLose,
  );
}

function lowFinding(
  device: PlacedDevice,
  supply: DeviceSupply,
  core: Core,
  rail: { label: string; volts: number },
  measured: number,
): Finding {
  const part = device.profile.parts.find((each) => each.id === core.part);
  const enough = sizeEnough(
    core,
    part?.strands === "solid" ? 2 : 5,
    supply.milliamps.working,
    rail.volts - supply.volts.min,
  );
  const { cable } = core;
  return finding(
    "voltage-low",
    [
      { kind: "device", id: device.id },
      { kind: "terminal", id: core.target },
    ],
    {
      device: device.name,
      volts: volts(measured),
      rail: `${rail.label}'s ${volts(rail.volts)}`,
      cable: cable ? `${plainNumber(cable.lengthM)} m of ${plainNumber(cable.sizeMm2, 2)} mm²` : "its cores",
      least: volts(supply.volts.min),
      celsius: `${hottest} °C`,
      lost: volts(rail.volts - measured),
      remedy:
        enough === undefined
          ? "No cable of the usual sizes is enough: feed it from a supply nearby."
          : `Run ${plainNumber(enough, 2)} mm² or more to it, or feed it from a supply nearby.`,
    },
  );
}

/**
 * Trap 40: every device that gets less than it needs over its cable while everything works, with cores as hot as they
 * get. Drives are left out: their boards drive them by force, and their cables are chosen by the drive's own sheet.
 */
export function voltageFindings(
  at: Installation,
  placements: readonly Placement[],
  cores: readonly Core[],
): Finding[] {
  const { supplies, rails } = measureCircuit(at, { moving: true, celsius: hottest });
  return placements.flatMap(({ demand, place }): Finding[] => {
    if (demand.kind !== "supply" || demand.duty.startsWith("drive")) return [];
    if (!place || place.kind === "input") return [];
    const { device, supply } = demand;
    const measured = supplies[`${device.id}/${supply.id}`];
    const core = cores.find((each) => each.device === device.id && each.pin === supply.pins.plus);
    if (!measured || !core || measured.state !== "low") return [];
    // A rail at its limit starves everything on it: that is told of the rail, and no cable would mend it.
    const railId = place.kind === "rail" ? place.rail.id : `${place.made.device}/${place.made.rail.id}`;
    if (rails[railId]?.limited) return [];
    const rail =
      place.kind === "rail" ? place.rail : { label: place.made.device, volts: place.made.rail.volts };
    return [lowFinding(device, supply, core, rail, measured.volts)];
  });
}
