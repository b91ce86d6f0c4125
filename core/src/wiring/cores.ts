import { terminalOf, type BoardProfile } from "../board/index.ts";
import { pinNode, terminalNode, type Wire } from "../circuit/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import type { Cable } from "../job/index.ts";
import { conductorOhms } from "../quantity/index.ts";
import { chooseTerminals } from "./clamps.ts";
import type { SiteDevice } from "./demand.ts";
import { looseEnds } from "./ends.ts";
import type { Placement } from "./place.ts";

/** One core of the wire list: which pin of which device, in which colour, goes to which terminal or connector. */
export interface Core extends Wire {
  device: string;
  deviceName: string;
  part: string;
  pin: string;
  pinLabel: string;
  colour: DeviceProfile["pins"][number]["core"];
  /** Terminal id, or the connector's id when `joint` is true, or another device's pin. */
  target: string;
  joint: boolean;
  /** Undefined for a core laid inside the cabinet. */
  cable?: Cable;
  why: string;
}

/** Resistance of one core of a device's cable at 20 °C, Ω. */
function coreOhms(device: SiteDevice, part: string, { sizeMm2, lengthM }: Cable): number {
  const solid = device.profile.parts.find((each) => each.id === part)?.strands === "solid";
  return conductorOhms(sizeMm2, lengthM, 20, solid ? 2 : 5);
}

/**
 * The wire list: one core for every pin that has a place. Chained contacts meet in a connector in the cabinet; a core to
 * a converter's output goes to that pin.
 */
export function coresOf(
  board: BoardProfile,
  placements: readonly Placement[],
  cables: Readonly<Record<string, Record<string, Cable>>>,
): Core[] {
  const ends = looseEnds(board, placements);
  const chosen = chooseTerminals(board, ends);
  return ends.flatMap((end, at): Core[] => {
    const { device, why } = end;
    const pin = device.profile.pins.find((each) => each.id === end.pin);
    const terminal = chosen[at];
    const to = end.node ?? (terminal && terminalOf(board, terminal) ? terminalNode(terminal) : undefined);
    if (!pin || !to) return [];
    const target = to.slice(to.indexOf("/") + 1);
    const cable = cables[device.id]?.[pin.part];
    return [
      {
        id: `${device.id}.${pin.id}${end.from ? `.${end.from.slice(end.from.indexOf("/") + 1)}` : ""}>${target}`,
        from: end.from ?? pinNode(device.id, pin.id),
        to,
        device: device.id,
        deviceName: device.name,
        part: pin.part,
        pin: pin.id,
        pinLabel: end.from ? `bridge from ${end.from.slice(end.from.indexOf("/") + 1)}` : pin.label,
        colour: device.colours?.[pin.id] ?? pin.core,
        target: to.startsWith("board/") || to.startsWith("joint/") ? target : to,
        joint: to.startsWith("joint/"),
        cable: end.from ? undefined : cable,
        ...(cable && !end.from ? { ohms: coreOhms(device, pin.part, cable) } : {}),
        why,
      },
    ];
  });
}
