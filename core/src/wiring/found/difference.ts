import type { BoardProfile } from "../../board/index.ts";
import { readCircuit, situationNames, type Installation, type Readings } from "../../circuit/index.ts";
import {
  nodeKey,
  partKey,
  pinNode,
  railPart,
  sameNode,
  sameSeat,
  supplyPart,
  type Node,
  type NodeKey,
  type PartKey,
  type PinNode,
  type Seat,
} from "../../node/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import { seatText, type Core } from "../cores/index.ts";
import type { SiteDevice } from "../place/index.ts";

/** Where cores were found, by the key of their pin. */
export type Sits = Readonly<Record<NodeKey, { pin: PinNode; seat: Seat }>>;

/** Where the core of this pin, or of a planned core's beginning, was found; undefined where nobody noted it. */
export const seatOf = (sits: Sits, from: Node): Seat | undefined => sits[nodeKey(from)]?.seat;

/** A core that does not sit where it is planned. */
export interface Difference {
  pin: PinNode;
  deviceName: string;
  /** Colour and pin, as on the wire list. */
  core: string;
  /** The planned core; undefined where nothing is planned for its pin. */
  planned?: Core;
  /** Where it was found. */
  found: Seat;
  /** Found and planned place in words. */
  foundText: string;
  plannedText: string;
}

/** A core where it was found instead of where it is planned. */
export const seated = (core: Core, to: Node): Core => ({ ...core, to });

/** Every core that was found elsewhere than planned, in the order of the wire list, then those of pins without a plan. */
export function differencesOf(
  devices: readonly SiteDevice[],
  cores: readonly Core[],
  sits: Sits,
): Difference[] {
  const planned = cores.flatMap((core): Difference[] => {
    const found = seatOf(sits, core.from);
    if (core.from.kind !== "pin" || found === undefined || sameSeat(found, core.to)) return [];
    return [
      {
        pin: core.from,
        deviceName: core.deviceName,
        core: `${core.colour} (${core.pinLabel})`,
        planned: core,
        found,
        foundText: seatText(found, devices),
        plannedText: seatText(core.to, devices),
      },
    ];
  });
  const known = new Set(cores.map((core) => nodeKey(core.from)));
  const others = devices.flatMap((device) =>
    device.profile.pins.flatMap(({ id, label, core }): Difference[] => {
      const pin = pinNode(device.id, id);
      const found = seatOf(sits, pin);
      if (found === undefined || found === "off" || known.has(nodeKey(pin))) return [];
      return [
        {
          pin,
          deviceName: device.name,
          core: `${device.colours?.[id] ?? core} (${label})`,
          found,
          foundText: seatText(found, devices),
          plannedText: "nothing",
        },
      ];
    }),
  );
  return [...planned, ...others];
}

/** How a supply is met, in words. */
export const supplyWords: Record<Readings["supplies"][PartKey], string> = {
  supplied: "gets its supply",
  low: "gets too little",
  over: "gets too much",
  absent: "gets nothing",
  reversed: "gets it the wrong way round",
  "wrong-kind": "gets the wrong kind of current",
};

/** What changes from one reading of the circuit to another, in words: inputs, supplies, and rails that give all they can. */
export function changesBetween(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  before: Readings,
  after: Readings,
): string[] {
  const inputs = board.inputs.flatMap((input) => {
    const [was, is] = [before.inputs[input.id]?.reads, after.inputs[input.id]?.reads];
    return was === is ? [] : [`${input.label} (${input.terminal}) reads ${is} instead of ${was}`];
  });
  const supplies = devices.flatMap((device) =>
    device.profile.supplies.flatMap((supply) => {
      const key = partKey(supplyPart(device.id, supply.id));
      const is = after.supplies[key];
      if (!is || is === before.supplies[key]) return [];
      const volts = after.volts[key];
      return [`${device.name} ${supplyWords[is]}${volts ? ` (${plainNumber(volts)} V)` : ""}`];
    }),
  );
  const rails = board.rails
    .filter(({ id }) => {
      const key = partKey(railPart(id));
      return after.limited.includes(key) && !before.limited.includes(key);
    })
    .map((rail) => `${rail.label} gives all it can and falls`);
  return [...inputs, ...supplies, ...rails];
}

/** What a difference does to every input and device, with power on: the circuit read as it is, and with this core where it is planned. */
export function effectOf(at: Installation, devices: readonly SiteDevice[], difference: Difference): string[] {
  const rest = at.wires.filter((wire) => !sameNode(wire.from, difference.pin));
  const live = { ...at, powered: true };
  const mended = { ...live, wires: difference.planned ? [...rest, difference.planned] : rest };
  return changesBetween(at.board, devices, readCircuit(mended), readCircuit(live));
}

/** An effect in a sentence. */
export const effectText = (changes: readonly string[]): string =>
  changes.length ? `With power on, ${listed(changes)}.` : `Nothing changes by it ${situationNames.awake}.`;
