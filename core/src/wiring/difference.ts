import type { BoardProfile } from "../board/index.ts";
import { readCircuit, situationNames, type Installation, type Readings } from "../circuit/index.ts";
import { listed, plainNumber } from "../quantity/index.ts";
import type { Core } from "./cores.ts";
import type { SiteDevice } from "./demand.ts";

/** Where cores were found, by pin as `device/pin`: a place, or "off". */
export type Sits = Readonly<Record<string, string>>;

/** A core that does not sit where it is planned. */
export interface Difference {
  /** Its pin, as `device/pin`. */
  pin: string;
  device: string;
  deviceName: string;
  /** Colour and pin, as on the wire list. */
  core: string;
  /** The planned core; undefined where nothing is planned for its pin. */
  planned?: Core;
  /** The place it was found on, or "off". */
  found: string;
  /** Found and planned place in words. */
  foundText: string;
  plannedText: string;
}

/** A core where it was found instead of where it is planned. */
export function seated(core: Core, place: string): Core {
  const [owner, id] = [place.slice(0, place.indexOf("/")), place.slice(place.indexOf("/") + 1)];
  const named = owner === "board" || owner === "joint";
  return { ...core, to: place, target: named ? id : place, joint: owner === "joint" };
}

/** A place of the circuit in words: a terminal, a connector, or a pin of another device. */
export function placeText(place: string, devices: readonly SiteDevice[]): string {
  if (place === "off") return "nothing";
  const at = place.indexOf("/");
  const [owner, id] = [place.slice(0, at), place.slice(at + 1)];
  if (owner === "board") return id;
  if (owner === "joint") return `connector ${id}`;
  const device = devices.find((each) => each.id === owner);
  const label = device?.profile.pins.find((pin) => pin.id === id)?.label ?? id;
  return `${device?.name ?? owner}, ${label}`;
}

/** Every core that was found elsewhere than planned, in the order of the wire list, then those of pins without a plan. */
export function differencesOf(
  devices: readonly SiteDevice[],
  cores: readonly Core[],
  sits: Sits,
): Difference[] {
  const planned = cores
    .filter((core) => sits[core.from] !== undefined && sits[core.from] !== core.to)
    .map((core): Difference => ({
      pin: core.from,
      device: core.device,
      deviceName: core.deviceName,
      core: `${core.colour} (${core.pinLabel})`,
      planned: core,
      found: sits[core.from]!,
      foundText: placeText(sits[core.from]!, devices),
      plannedText: placeText(core.to, devices),
    }));
  const known = new Set(cores.map((core) => core.from));
  const others = devices.flatMap((device) =>
    device.profile.pins.flatMap((pin): Difference[] => {
      const id = `${device.id}/${pin.id}`;
      const found = sits[id];
      if (found === undefined || found === "off" || known.has(id)) return [];
      const colour = device.colours?.[pin.id] ?? pin.core;
      return [
        {
          pin: id,
          device: device.id,
          deviceName: device.name,
          core: `${colour} (${pin.label})`,
          found,
          foundText: placeText(found, devices),
          plannedText: "nothing",
        },
      ];
    }),
  );
  return [...planned, ...others];
}

/** How a supply is met, in words. */
export const supplyWords: Record<Readings["supplies"][string], string> = {
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
      const id = `${device.id}/${supply.id}`;
      const is = after.supplies[id];
      if (!is || is === before.supplies[id]) return [];
      const volts = after.volts[id];
      return [`${device.name} ${supplyWords[is]}${volts ? ` (${plainNumber(volts)} V)` : ""}`];
    }),
  );
  const rails = board.rails
    .filter((rail) => after.limited.includes(rail.id) && !before.limited.includes(rail.id))
    .map((rail) => `${rail.label} gives all it can and falls`);
  return [...inputs, ...supplies, ...rails];
}

/** What a difference does to every input and device, with power on: the circuit read as it is, and with this core where it is planned. */
export function effectOf(at: Installation, devices: readonly SiteDevice[], difference: Difference): string[] {
  const rest = at.wires.filter((wire) => wire.from !== difference.pin);
  const live = { ...at, powered: true };
  const mended = { ...live, wires: difference.planned ? [...rest, difference.planned] : rest };
  return changesBetween(at.board, devices, readCircuit(mended), readCircuit(live));
}

/** An effect in a sentence. */
export const effectText = (changes: readonly string[]): string =>
  changes.length ? `With power on, ${listed(changes)}.` : `Nothing changes by it ${situationNames.awake}.`;
