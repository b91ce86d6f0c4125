import type { DeviceProfile, DeviceRail, DeviceSupply } from "./schema.ts";

/** The rails a device makes from this supply; a battery or a panel makes its own from none. */
export function madeFrom(device: DeviceProfile, supply: DeviceSupply): DeviceRail[] {
  return device.provides.filter((rail) => (rail.from ?? device.supplies[0]?.id) === supply.id);
}

/**
 * What one rail asks of the supply it is made from, mA. A rectifier with its capacitor passes current on, and on the
 * a.c. side draws its form factor more in r.m.s. terms; a switching converter passes power on.
 */
export function inputMilliamps(
  { manner, formFactor, efficiency, volts }: DeviceRail,
  supply: Pick<DeviceSupply, "kind">,
  outputMilliamps: number,
  inputVolts: number,
): number {
  const form = supply.kind === "dc" ? 1 : formFactor;
  if (manner === "rectifier") return form * outputMilliamps;
  return (form * volts * outputMilliamps) / (efficiency * inputVolts);
}

/** The middle of what a supply may be given: what is assumed when nothing is measured, V. */
export const usualVolts = ({ volts }: Pick<DeviceSupply, "volts">) => (volts.min + volts.max) / 2;

/** True where a supply bears what a source gives: its kind of current, and its volts within its own. */
export const bears = (
  { kind, volts }: Pick<DeviceSupply, "kind" | "volts">,
  source: Pick<DeviceRail, "kind" | "volts">,
): boolean =>
  (kind === "either" || kind === source.kind) && source.volts >= volts.min && source.volts <= volts.max;
