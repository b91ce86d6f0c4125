import { commonTerminals, type BoardInput } from "../board/index.ts";
import {
  inputMilliamps,
  madeFrom,
  usualVolts,
  type DeviceContact,
  type DeviceRail,
  type DeviceSupply,
} from "../device/index.ts";
import { copperRatio } from "../quantity/index.ts";
import { pinNode, terminalNode, type Installation, type PlacedDevice } from "./installation.ts";
import type { Part } from "./network/index.ts";
import { atWork, railLives, type Moment } from "./situation.ts";

/** Volts an input puts on its terminal through its own resistor. Assumed: common practice, no published source. */
export const inputVolts = 24;
/** That resistor, Ω: of a plain contact's input, and of one that looks for an end resistor (then as large as it). */
const contactPullOhms = 4_700;
/** What a rail has inside, Ω: small against any cable. Assumed. */
const railOhms = 0.1;
/** Resistance of a core whose cable is not known, such as one inside the cabinet, Ω. */
const shortCoreOhms = 0.02;

export type Kind = "dc" | "ac";

/** What one round of solving knows from the round before it. */
export interface Known {
  /** Supplies with voltage enough, as `device/supply`. */
  supplied: ReadonlySet<string>;
  /** Volts at each supply. */
  volts: ReadonlyMap<string, number>;
  /** What each rail that a device makes gives, A, as `device/rail`. */
  made: ReadonlyMap<string, number>;
}

/** At first nothing is supplied. */
export const nothingKnown: Known = { supplied: new Set(), volts: new Map(), made: new Map() };

function join(terminals: readonly string[]): Part[] {
  return terminals.slice(1).map((terminal) => ({
    kind: "join",
    id: `copper ${terminals[0]} ${terminal}`,
    a: terminalNode(terminals[0]!),
    b: terminalNode(terminal),
  }));
}

function boardParts(at: Installation, kind: Kind, { situation }: Moment): Part[] {
  const { board } = at;
  const rails = board.rails.flatMap((rail): Part[] => {
    const budget = board.budgets.find((each) => each.id === rail.budget);
    const milliamps = rail.limitMilliamps ?? budget?.limitMilliamps;
    if (!at.powered || rail.kind !== kind || !railLives(rail, situation)) return [];
    return [
      {
        kind: "source",
        id: `rail ${rail.id}`,
        plus: terminalNode(rail.plus[0]!),
        minus: terminalNode(rail.minus[0]!),
        volts: rail.volts,
        ohms: railOhms,
        ...(milliamps === undefined ? {} : { limitAmps: milliamps / 1_000 }),
      },
    ];
  });
  // A relay is set for what works while the leaf is under way or open.
  const relays = board.outputs.filter((output) => output.kind === "relay" && atWork(situation) && at.powered);
  const links = board.links.filter((link) => at.linksIn.has(link.id));
  return [
    ...board.commons.flatMap((common) => join(common.terminals)),
    ...board.rails.flatMap((rail) => [...join(rail.plus), ...join(rail.minus), ...join(rail.third ?? [])]),
    ...links.map(({ id, between: [a, b] }): Part => ({
      kind: "join",
      id: `link ${id}`,
      a: terminalNode(a),
      b: terminalNode(b),
    })),
    ...rails,
    ...relays.map(({ id, terminals: [a = "", b = a] }): Part => ({
      kind: "join",
      id: `relay ${id}`,
      a: terminalNode(a),
      b: terminalNode(b),
    })),
    ...(kind === "dc" && at.powered ? board.inputs.flatMap((input) => inputParts(at, input)) : []),
  ];
}

/** An input as a source of its own behind a resistor, from its common to its terminal. */
function inputParts(at: Installation, input: BoardInput): Part[] {
  const [common] = commonTerminals(at.board, input);
  if (common === undefined) return [];
  const inner = `input ${input.id}`;
  return [
    { kind: "source", id: inner, plus: inner, minus: terminalNode(common), volts: inputVolts, ohms: 1 },
    {
      kind: "resistor",
      id: `${inner} pull`,
      a: inner,
      b: terminalNode(input.terminal),
      ohms: input.ohms ?? contactPullOhms,
    },
  ];
}

/** A contact as it conducts just now; one with an end resistor shorts it when pressed, and leaves it to the next edge it goes on to. */
function contactParts(at: Installation, device: PlacedDevice, contact: DeviceContact, known: Known): Part[] {
  const id = `${device.id}/${contact.id}`;
  const tripped = at.tripped.has(id);
  const [a, b] = contact.pins.map((pin) => pinNode(device.id, pin)) as [string, string];
  if (contact.ohms === undefined) {
    const sender = device.profile.supplies.some((supply) => supply.id === contact.test)
      ? contact.test
      : undefined;
    const lets = [contact.supply, sender].every(
      (supply) => !supply || known.supplied.has(`${device.id}/${supply}`),
    );
    return lets && (contact.rest === "closed") !== tripped
      ? [{ kind: "join", id: `contact ${id}`, a, b }]
      : [];
  }
  const pressed: Part[] = tripped ? [{ kind: "join", id: `pressed ${id}`, a, b }] : [];
  const ends = contact.through?.map((pin) => pinNode(device.id, pin)) as [string, string] | undefined;
  const [far, back] = ends ?? [a, b];
  const conductors: Part[] = ends
    ? [
        { kind: "join", id: `conductor ${id} a`, a, b: far },
        { kind: "join", id: `conductor ${id} b`, a: b, b: back },
      ]
    : [];
  const goesOn = ends && at.wires.some((wire) => ends.includes(wire.from) || ends.includes(wire.to));
  return [
    ...pressed,
    ...conductors,
    ...(goesOn
      ? []
      : [{ kind: "resistor" as const, id: `contact ${id}`, a: far, b: back, ohms: contact.ohms }]),
  ];
}

/** What a supply draws just now, A: a converter by what its outputs give, anything else by the situation. */
function drawn(device: PlacedDevice, supply: DeviceSupply, { situation }: Moment, known: Known): number {
  const { rest, working } = supply.milliamps;
  const rails = madeFrom(device.profile, supply);
  if (!rails.length) return (atWork(situation) ? working : rest) / 1_000;
  const volts = known.volts.get(`${device.id}/${supply.id}`) || usualVolts(supply);
  const asked = rails.reduce((sum, rail) => {
    const output = (known.made.get(`${device.id}/${rail.id}`) ?? 0) * 1_000;
    return sum + inputMilliamps(rail, supply, output, Math.abs(volts));
  }, 0);
  return Math.max(rest, asked) / 1_000;
}

function madePart(device: PlacedDevice, rail: DeviceRail): Part {
  const limitAmps = rail.limitMilliamps / 1_000;
  const noLoad = rail.noLoadVolts ?? rail.volts;
  return {
    kind: "source",
    id: `rail ${device.id}/${rail.id}`,
    plus: pinNode(device.id, rail.pins.plus),
    minus: pinNode(device.id, rail.pins.minus),
    volts: noLoad,
    // Without regulation the voltage falls evenly from no load to full load.
    ohms: noLoad > rail.volts && limitAmps > 0 ? (noLoad - rail.volts) / limitAmps : railOhms,
    limitAmps,
  };
}

function deviceParts(
  at: Installation,
  device: PlacedDevice,
  kind: Kind,
  moment: Moment,
  known: Known,
): Part[] {
  const pin = (id: string) => pinNode(device.id, id);
  const { contacts, supplies, provides } = device.profile;
  const lives = (rail: DeviceRail) => {
    const from = rail.from ?? supplies[0]?.id;
    return from === undefined || known.supplied.has(`${device.id}/${from}`);
  };
  return [
    ...contacts.flatMap((contact) => contactParts(at, device, contact, known)),
    ...supplies
      .filter((supply) => takes(supply, kind))
      .map((supply): Part => ({
        kind: "load",
        id: `supply ${device.id}/${supply.id}`,
        plus: pin(supply.pins.plus),
        minus: pin(supply.pins.minus),
        amps: drawn(device, supply, moment, known),
        leastVolts: supply.volts.min,
      })),
    ...provides.filter((rail) => rail.kind === kind && lives(rail)).map((rail) => madePart(device, rail)),
  ];
}

/** True for a supply that this kind of current can feed. */
export const takes = (supply: DeviceSupply, kind: Kind) => supply.kind === "either" || supply.kind === kind;

/** An installation as the parts of a network: those of one kind of current, with what the round before made known. */
export function partsOf(at: Installation, kind: Kind, moment: Moment, known: Known): Part[] {
  const hot = copperRatio(moment.celsius);
  return [
    ...boardParts(at, kind, moment),
    ...at.wires.map((wire): Part => ({
      kind: "resistor",
      id: `wire ${wire.id}`,
      a: wire.from,
      b: wire.to,
      ohms: Math.max(1e-4, (wire.ohms ?? shortCoreOhms) * hot),
    })),
    ...at.devices.flatMap((device) => deviceParts(at, device, kind, moment, known)),
  ];
}
