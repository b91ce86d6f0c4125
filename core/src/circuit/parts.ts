import { commonTerminals, type BoardInput } from "../board/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { copperRatio } from "../quantity/index.ts";
import { pinNode, terminalNode, type Installation, type PlacedDevice } from "./installation.ts";
import type { Part } from "./network/index.ts";

/** Volts an input puts on its terminal through its own resistor. Assumed: common practice, no published source. */
export const inputVolts = 24;
/** That resistor, Ω: of a plain contact's input, and of one that looks for an end resistor (then as large as it). */
const contactPullOhms = 4_700;
/** What a rail has inside, Ω: small against any cable. Assumed. */
const railOhms = 0.1;
/** Resistance of a core whose cable is not known, such as one inside the cabinet, Ω. */
const shortCoreOhms = 0.02;

/** The moment that is measured: the leaf at rest, or under way with everything at its working current. */
export interface Moment {
  moving: boolean;
  /** Temperature of every core, °C. */
  celsius: number;
}

export const atRest: Moment = { moving: false, celsius: 20 };

export type Kind = "dc" | "ac";

/** When a rail lives: those that sleep are awake while someone works at the board. */
const livesAtRest: readonly string[] = ["always", "awake"];
const livesMoving: readonly string[] = [...livesAtRest, "moving", "opening", "closing", "not-closed"];

function boardParts(at: Installation, kind: Kind, { moving }: Moment): Part[] {
  const join = (terminals: readonly string[]): Part[] =>
    terminals.slice(1).map((terminal) => ({
      kind: "join",
      id: `copper ${terminals[0]} ${terminal}`,
      a: terminalNode(terminals[0]!),
      b: terminalNode(terminal),
    }));
  const { board } = at;
  const lives = (live: string) => at.powered && (moving ? livesMoving : livesAtRest).includes(live);
  const rails = board.rails.flatMap((rail): Part[] => {
    const budget = board.budgets.find((each) => each.id === rail.budget);
    const milliamps = rail.limitMilliamps ?? budget?.limitMilliamps;
    if (rail.kind !== kind || !lives(rail.live)) return [];
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
  const links = board.links.filter((link) => at.linksIn.has(link.id));
  return [
    ...board.commons.flatMap((common) => join(common.terminals)),
    ...board.rails.flatMap((rail) => [...join(rail.plus), ...join(rail.minus)]),
    ...links.map(({ id, between: [a, b] }): Part => ({
      kind: "join",
      id: `link ${id}`,
      a: terminalNode(a),
      b: terminalNode(b),
    })),
    ...rails,
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

function deviceParts(
  at: Installation,
  device: PlacedDevice,
  kind: Kind,
  supplied: ReadonlySet<string>,
  { moving }: Moment,
): Part[] {
  const pin = (id: string) => pinNode(device.id, id);
  const { contacts, supplies, provides } = device.profile;
  const closed = contacts.filter((contact) => {
    if (contact.supply && !supplied.has(`${device.id}/${contact.supply}`)) return false;
    return (contact.rest === "closed") !== at.tripped.has(`${device.id}/${contact.id}`);
  });
  const fed = supplies.some((supply) => supplied.has(`${device.id}/${supply.id}`));
  return [
    ...closed.map((contact): Part => {
      const ends = {
        id: `contact ${device.id}/${contact.id}`,
        a: pin(contact.pins[0]),
        b: pin(contact.pins[1]),
      };
      return contact.ohms === undefined
        ? { kind: "join", ...ends }
        : { kind: "resistor", ohms: contact.ohms, ...ends };
    }),
    // Pressed, an edge with an end resistor is a short circuit and not an open one.
    ...contacts
      .filter((contact) => contact.ohms !== undefined && at.tripped.has(`${device.id}/${contact.id}`))
      .map((contact): Part => ({
        kind: "join",
        id: `pressed ${device.id}/${contact.id}`,
        a: pin(contact.pins[0]),
        b: pin(contact.pins[1]),
      })),
    ...supplies
      .filter((supply) => takes(supply, kind))
      .map((supply): Part => ({
        kind: "load",
        id: `supply ${device.id}/${supply.id}`,
        plus: pin(supply.pins.plus),
        minus: pin(supply.pins.minus),
        amps: (moving ? supply.milliamps.working : supply.milliamps.rest) / 1_000,
        leastVolts: supply.volts.min,
      })),
    ...provides
      .filter((rail) => fed && rail.kind === kind)
      .map((rail): Part => ({
        kind: "source",
        id: `rail ${device.id}/${rail.id}`,
        plus: pin(rail.pins.plus),
        minus: pin(rail.pins.minus),
        volts: rail.volts,
        ohms: railOhms,
        limitAmps: rail.limitMilliamps / 1_000,
      })),
  ];
}

/** True for a supply that this kind of current can feed. */
export const takes = (supply: DeviceSupply, kind: Kind) => supply.kind === "either" || supply.kind === kind;

/** An installation as the parts of a network: those of one kind of current, with what is supplied already known. */
export function partsOf(at: Installation, kind: Kind, supplied: ReadonlySet<string>, moment: Moment): Part[] {
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
    ...at.devices.flatMap((device) => deviceParts(at, device, kind, supplied, moment)),
  ];
}
