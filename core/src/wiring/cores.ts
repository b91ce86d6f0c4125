import { commonTerminals, terminalOf, type BoardProfile } from "../board/index.ts";
import { jointNode, pinNode, terminalNode, type Node, type Wire } from "../circuit/index.ts";
import { conductorOhms, plainNumber } from "../quantity/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import type { Cable } from "../job/index.ts";
import { assign } from "./assign.ts";
import type { SiteDevice } from "./demand.ts";
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

/** A core whose end may go to any of several terminals that are one point on the board. */
interface LooseEnd {
  device: SiteDevice;
  pin: string;
  /** Terminals to choose from, or one node that is given. */
  terminals?: readonly string[];
  node?: Node;
  /** Block in which the device's other core sits, preferred for this one. */
  near?: string;
  why: string;
}

function contactEnds(board: BoardProfile, placements: readonly Placement[]): LooseEnd[] {
  const ends: LooseEnd[] = [];
  let joints = 0;
  for (const input of board.inputs) {
    const contacts = placements.flatMap(({ demand, place }) =>
      demand.kind === "contact" && place?.kind === "input" && place.input.id === input.id ? [demand] : [],
    );
    const series = input.contact === "closed";
    const near = input.terminal.replace(/\d+$/, "");
    let joint: Node | undefined;
    contacts.forEach(({ device, contact }, at) => {
      const first = !series || at === 0;
      const last = !series || at === contacts.length - 1;
      ends.push(
        first
          ? {
              device,
              pin: contact.pins[0],
              terminals: [input.terminal],
              why: `${input.label}: its contact ${series ? "closes the loop" : "makes the command"}`,
            }
          : {
              device,
              pin: contact.pins[0],
              node: joint,
              why: `${input.label}: in series with the device before it`,
            },
      );
      if (!last) joint = jointNode(`J${++joints}`);
      ends.push(
        last
          ? {
              device,
              pin: contact.pins[1],
              terminals: commonTerminals(board, input),
              near,
              why: `${input.label}: back to the common`,
            }
          : {
              device,
              pin: contact.pins[1],
              node: joint,
              why: `${input.label}: on to the next device in series`,
            },
      );
    });
  }
  return ends;
}

function supplyEnds(placements: readonly Placement[]): LooseEnd[] {
  return placements.flatMap(({ demand, place }): LooseEnd[] => {
    if (demand.kind !== "supply" || !place || place.kind === "input") return [];
    const { device, supply } = demand;
    if (place.kind === "made") {
      const { device: maker, rail } = place.made;
      const why = `supply ${rail.volts} V ${rail.kind.toUpperCase()} from the converter`;
      return [
        { device, pin: supply.pins.plus, node: pinNode(maker, rail.pins.plus), why },
        { device, pin: supply.pins.minus, node: pinNode(maker, rail.pins.minus), why },
      ];
    }
    const why = `${place.rail.label}, ${place.rail.volts} V ${place.rail.kind.toUpperCase()}`;
    const third = supply.pins.third;
    return [
      { device, pin: supply.pins.plus, terminals: place.rail.plus, why },
      { device, pin: supply.pins.minus, terminals: place.rail.minus, why },
      ...(third && place.rail.third ? [{ device, pin: third, terminals: place.rail.third, why }] : []),
    ];
  });
}

/** Chooses among terminals that are one point: none over what it holds, the block of the device's other core first, few cores to a clamp. */
function chooseTerminals(board: BoardProfile, ends: readonly LooseEnd[]): (string | undefined)[] {
  const resources = Object.fromEntries(
    board.blocks.flatMap((block) =>
      block.terminals.map((terminal) => [
        `${block.id}${terminal.number}`,
        { price: (used: number) => [Math.max(0, used - terminal.holds), 0, (used * (used - 1)) / 2] },
      ]),
    ),
  );
  const items = ends.map((end) => ({
    unplaced: [1e6],
    options: (end.terminals ?? []).map((terminal) => ({
      choice: terminal,
      cost: [0, end.near && !terminal.startsWith(end.near) ? 1 : 0],
      uses: [{ resource: terminal, amount: 1 }],
    })),
  }));
  // Ends with one terminal to choose from are settled first; what remains is one small choice for each point.
  const points = new Map<string, number[]>();
  ends.forEach((end, at) => {
    if (!end.terminals) return;
    const key = [...end.terminals].sort().join();
    points.set(key, [...(points.get(key) ?? []), at]);
  });
  const chosen: (string | undefined)[] = ends.map(() => undefined);
  for (const members of points.values())
    assign(
      members.map((at) => items[at]!),
      resources,
    ).choices.forEach((choice, index) => {
      chosen[members[index]!] = choice;
    });
  return chosen;
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
  const ends = [...supplyEnds(placements), ...contactEnds(board, placements)];
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
        id: `${device.id}.${pin.id}>${target}`,
        from: pinNode(device.id, pin.id),
        to,
        device: device.id,
        deviceName: device.name,
        part: pin.part,
        pin: pin.id,
        pinLabel: pin.label,
        colour: pin.core,
        target: to.startsWith("board/") || to.startsWith("joint/") ? target : to,
        joint: to.startsWith("joint/"),
        cable,
        ...(cable ? { ohms: coreOhms(device, pin.part, cable) } : {}),
        why,
      },
    ];
  });
}

/**
 * Cores of a supply and what each pole is called: brown, black and grey are line conductors, blue is neutral,
 * green-and-yellow earth by IEC 60445 (from memory); local codes decide.
 */
const supplyPoles = {
  live: { label: "live", colour: "BN" },
  l1: { label: "L1", colour: "BN" },
  l2: { label: "L2", colour: "BK" },
  l3: { label: "L3", colour: "GY" },
  neutral: { label: "neutral", colour: "BU" },
  earth: { label: "earth", colour: "GNYE" },
  a: { label: "secondary, one end", colour: "GY" },
  b: { label: "secondary, other end", colour: "GY" },
  plus: { label: "+", colour: "RD" },
  minus: { label: "−", colour: "BK" },
} as const;

/** What the board's supply is called on a wire list. */
export const supplyName: Record<BoardProfile["supply"]["kind"], string> = {
  mains: "Mains spur",
  "three-phase": "Three-phase spur",
  transformer: "Transformer secondary",
  dc: "Supply unit",
  solar: "Solar panel",
};

/** The cores that bring the board its supply. */
export function inletCores(board: BoardProfile): Core[] {
  const { kind, volts, poles } = board.supply;
  return (Object.keys(supplyPoles) as (keyof typeof supplyPoles)[]).flatMap((pole): Core[] => {
    const target = poles[pole];
    if (!target) return [];
    const { label, colour } = supplyPoles[pole];
    return [
      {
        id: `mains.${pole}>${target}`,
        from: pinNode("mains", pole),
        to: terminalNode(target),
        device: "mains",
        deviceName: supplyName[kind],
        part: "spur",
        pin: pole,
        pinLabel: label,
        colour,
        target,
        joint: false,
        why: `${supplyName[kind].toLowerCase()}, ${volts.map((each) => plainNumber(each)).join(" or ")} V`,
      },
    ];
  });
}
