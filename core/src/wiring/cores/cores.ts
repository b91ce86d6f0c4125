import { terminalOf, type BoardProfile } from "../../board/index.ts";
import type { Wire } from "../../circuit/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import type { Cable } from "../../job/index.ts";
import { nodeWord, pinNode, terminalNode } from "../../node/index.ts";
import { conductorOhms } from "../../quantity/index.ts";
import { chooseTerminals } from "./clamps.ts";
import type { SiteDevice } from "../place/index.ts";
import { looseEnds } from "./ends.ts";
import { linksAt } from "./links-at.ts";
import type { Placement } from "../place/index.ts";

/** One core of the wire list: which pin of which device, in which colour, goes to which place. */
export interface Core extends Wire {
  /** The device it belongs to; left out for a core of the spur that feeds the board. */
  device?: string;
  /** What it belongs to is called. */
  deviceName: string;
  part: string;
  pin: string;
  pinLabel: string;
  colour: DeviceProfile["pins"][number]["core"];
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
  linksIn: Iterable<string>,
): Core[] {
  const ends = looseEnds(board, placements);
  const chosen = chooseTerminals(board, ends, linksAt(board, linksIn));
  return ends.flatMap((end, at): Core[] => {
    const { device, why } = end;
    const pin = device.profile.pins.find((each) => each.id === end.pin);
    const terminal = chosen[at];
    const to = end.node ?? (terminal && terminalOf(board, terminal) ? terminalNode(terminal) : undefined);
    if (!pin || !to) return [];
    const bridge = end.from && nodeWord(end.from);
    const cable = end.from ? undefined : cables[device.id]?.[pin.part];
    const target = to.kind === "pin" ? to.pin : nodeWord(to);
    return [
      {
        id: `${device.id}.${pin.id}${bridge === undefined ? "" : `.${bridge}`}>${target}`,
        from: end.from ?? pinNode(device.id, pin.id),
        to,
        device: device.id,
        deviceName: device.name,
        part: pin.part,
        pin: pin.id,
        pinLabel: bridge === undefined ? pin.label : `bridge from ${bridge}`,
        colour: device.colours?.[pin.id] ?? pin.core,
        cable,
        ...(cable ? { ohms: coreOhms(device, pin.part, cable) } : {}),
        why,
      },
    ];
  });
}
