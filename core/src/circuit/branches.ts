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
import {
  contactPart,
  linkPart,
  nodeKey,
  madeRailPart,
  partKey,
  poleNode,
  railPart,
  supplyPart,
  wirePart,
  type NodeKey,
  type Part,
  type PartKey,
} from "../node/index.ts";
import type { Installation, PlacedDevice } from "./installation.ts";
import { deviceKeys, endKeys, terminalKeys, wireKeys } from "./keys.ts";
import type { Branch } from "./network/index.ts";
import { relayJoins, soughtOhms } from "./set.ts";
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
  /** Supplies with voltage enough. */
  supplied: ReadonlySet<PartKey>;
  /** Volts at each supply. */
  volts: ReadonlyMap<PartKey, number>;
  /** What each rail that a device makes gives, A. */
  made: ReadonlyMap<PartKey, number>;
  /** What is left for each rail of a budget that is asked for more than it has, A. */
  shares: ReadonlyMap<PartKey, number>;
}

/** At first nothing is supplied. */
export const nothingKnown: Known = {
  supplied: new Set(),
  volts: new Map(),
  made: new Map(),
  shares: new Map(),
};

/** A branch of the network with the part of the installation it stands for, where it stands for one. */
export type CircuitBranch = Branch & {
  part?: Part;
  /** The input whose own source or resistor it is. */
  input?: string;
};

type KeyOf = (terminal: string) => NodeKey;

/** Terminals that are one point of the board's copper. */
function join(terminals: readonly string[], terminal: KeyOf): CircuitBranch[] {
  return terminals.slice(1).map((other) => ({
    kind: "join",
    id: `copper ${terminals[0]} ${other}`,
    a: terminal(terminals[0]!),
    b: terminal(other),
  }));
}

/** A branch that stands for a part, named by its key. */
const standsFor = (part: Part, key: PartKey = partKey(part)) => ({ id: key as string, part });

function boardBranches(
  at: Installation,
  kind: Kind,
  { situation }: Moment,
  shares: Known["shares"],
): CircuitBranch[] {
  const { board } = at;
  const terminal = terminalKeys(board);
  const rails = board.rails.flatMap((rail): CircuitBranch[] => {
    const budget = board.budgets.find((each) => each.id === rail.budget);
    const milliamps = rail.limitMilliamps ?? budget?.limitMilliamps;
    const share = shares.get(partKey(railPart(rail.id)));
    const limitAmps = share ?? (milliamps === undefined ? undefined : milliamps / 1_000);
    const dead = at.interrupted?.has(rail.id) || (at.withoutMains && rail.kind === "ac");
    if (!at.powered || dead || rail.kind !== kind || !railLives(rail, situation)) return [];
    return [
      {
        kind: "source",
        ...standsFor(railPart(rail.id)),
        plus: terminal(rail.plus[0]!),
        minus: terminal(rail.minus[0]!),
        volts: rail.volts,
        ohms: railOhms,
        ...(limitAmps === undefined ? {} : { limitAmps }),
      },
    ];
  });
  const relays = board.outputs.filter((output) => output.kind === "relay");
  const links = board.links.filter((link) => at.linksIn.has(link.id));
  return [
    ...board.commons.flatMap((common) => join(common.terminals, terminal)),
    ...board.rails.flatMap(({ plus, minus, third = [] }) =>
      [plus, minus, third].flatMap((pole) => join(pole, terminal)),
    ),
    ...links.map(({ id, between: [a, b] }): CircuitBranch => ({
      kind: "join",
      ...standsFor(linkPart(id)),
      a: terminal(a),
      b: terminal(b),
    })),
    ...rails,
    ...(kind === "ac" && at.powered && !at.withoutMains ? spurBranches(at) : []),
    ...relays.flatMap((relay): CircuitBranch[] => {
      const joined = relayJoins(relay, at.set ?? {}, { powered: at.powered, situation });
      if (!joined) return [];
      return [{ kind: "join", id: `relay ${relay.id}`, a: terminal(joined[0]), b: terminal(joined[1]) }];
    }),
    ...(kind === "dc" && at.powered ? board.inputs.flatMap((input) => inputBranches(at, input)) : []),
  ];
}

/** The mains spur as a source, where something beside the board hangs on it. */
function spurBranches({ board: { supply }, wires }: Installation): CircuitBranch[] {
  const { live, neutral } = supply.poles;
  if (!live || !neutral || !wires.some(({ to }) => to.kind === "pole")) return [];
  return [
    {
      kind: "source",
      id: "spur",
      plus: nodeKey(poleNode("live")),
      minus: nodeKey(poleNode("neutral")),
      volts: supply.volts[0]!,
      ohms: railOhms,
    },
  ];
}

/** An input as a source of its own behind a resistor, from its common to its terminal. */
function inputBranches(at: Installation, input: BoardInput): CircuitBranch[] {
  const common = commonTerminals(at.board, input)[0]!;
  const terminal = terminalKeys(at.board);
  const inner = `input ${input.id}`;
  return [
    {
      kind: "source",
      id: inner,
      plus: inner,
      minus: terminal(common),
      volts: inputVolts,
      ohms: 1,
      input: input.id,
    },
    {
      kind: "resistor",
      id: `${inner} pull`,
      a: inner,
      b: terminal(input.terminal),
      ohms: soughtOhms(input, at.set) ?? contactPullOhms,
      input: input.id,
    },
  ];
}

/** A contact as it conducts just now; one with an end resistor shorts it when pressed, and leaves it to the next edge it goes on to. */
function contactBranches(
  at: Installation,
  device: PlacedDevice,
  contact: DeviceContact,
  known: Known,
): CircuitBranch[] {
  const keys = deviceKeys(device);
  const part = contactPart(device.id, contact.id);
  const id = keys.contact(contact.id);
  const tripped = at.tripped.has(id);
  const [a, b] = [keys.pin(contact.pins[0]), keys.pin(contact.pins[1])];
  if (contact.ohms === undefined) {
    const sender = device.profile.supplies.some((supply) => supply.id === contact.test)
      ? contact.test
      : undefined;
    const lets = [contact.supply, sender].every(
      (supply) => !supply || known.supplied.has(keys.supply(supply)),
    );
    return lets && (contact.rest === "closed") !== tripped
      ? [{ kind: "join", ...standsFor(part, id), a, b }]
      : [];
  }
  const pressed: CircuitBranch[] = tripped ? [{ kind: "join", id: `pressed ${id}`, a, b }] : [];
  const ends = contact.through?.map(keys.pin) as [NodeKey, NodeKey] | undefined;
  const [far, back] = ends ?? [a, b];
  const conductors: CircuitBranch[] = ends
    ? [
        { kind: "join", id: `conductor ${id} a`, a, b: far },
        { kind: "join", id: `conductor ${id} b`, a: b, b: back },
      ]
    : [];
  const goesOn = ends?.some((end) => endKeys(at.wires).has(end));
  return [
    ...pressed,
    ...conductors,
    ...(goesOn
      ? []
      : [{ kind: "resistor" as const, ...standsFor(part, id), a: far, b: back, ohms: contact.ohms }]),
  ];
}

/** What a supply draws just now, A: a converter by what its outputs give, anything else by the situation. */
function drawn(device: PlacedDevice, supply: DeviceSupply, { situation }: Moment, known: Known): number {
  const keys = deviceKeys(device);
  const { rest, working } = supply.milliamps;
  const rails = madeFrom(device.profile, supply);
  if (!rails.length) return (atWork(situation) ? working : rest) / 1_000;
  const volts = known.volts.get(keys.supply(supply.id)) || usualVolts(supply);
  const asked = rails.reduce((sum, rail) => {
    const output = (known.made.get(keys.made(rail.id)) ?? 0) * 1_000;
    return sum + inputMilliamps(rail, supply, output, Math.abs(volts));
  }, 0);
  return Math.max(rest, asked) / 1_000;
}

function madeBranch(device: PlacedDevice, rail: DeviceRail): CircuitBranch {
  const limitAmps = rail.limitMilliamps / 1_000;
  const noLoad = rail.noLoadVolts ?? rail.volts;
  const keys = deviceKeys(device);
  return {
    kind: "source",
    ...standsFor(madeRailPart(device.id, rail.id), keys.made(rail.id)),
    plus: keys.pin(rail.pins.plus),
    minus: keys.pin(rail.pins.minus),
    volts: noLoad,
    // Without regulation the voltage falls evenly from no load to full load.
    ohms: noLoad > rail.volts && limitAmps > 0 ? (noLoad - rail.volts) / limitAmps : railOhms,
    limitAmps,
  };
}

function deviceBranches(
  at: Installation,
  device: PlacedDevice,
  kind: Kind,
  moment: Moment,
  known: Known,
): CircuitBranch[] {
  const keys = deviceKeys(device);
  const { contacts, supplies, provides } = device.profile;
  const lives = (rail: DeviceRail) => {
    const from = rail.from ?? supplies[0]?.id;
    return from === undefined || known.supplied.has(keys.supply(from));
  };
  return [
    ...contacts.flatMap((contact) => contactBranches(at, device, contact, known)),
    ...supplies
      .filter((supply) => takes(supply, kind))
      .map((supply): CircuitBranch => {
        const key = keys.supply(supply.id);
        const { plus, minus } = supply.pins;
        // Only a load made for direct current has a polarity.
        const turned = supply.kind !== "dc" && (known.volts.get(key) ?? 0) < 0;
        return {
          kind: "load",
          ...standsFor(supplyPart(device.id, supply.id), key),
          plus: keys.pin(turned ? minus : plus),
          minus: keys.pin(turned ? plus : minus),
          amps: drawn(device, supply, moment, known),
          leastVolts: supply.volts.min,
        };
      }),
    ...provides.filter((rail) => rail.kind === kind && lives(rail)).map((rail) => madeBranch(device, rail)),
  ];
}

/** True for a supply that this kind of current can feed. */
export const takes = (supply: DeviceSupply, kind: Kind) => supply.kind === "either" || supply.kind === kind;

/** What conducts whatever is known: the board's own branches and every core. */
export function standingBranches(
  at: Installation,
  kind: Kind,
  moment: Moment,
  shares: Known["shares"] = nothingKnown.shares,
): CircuitBranch[] {
  const hot = copperRatio(moment.celsius);
  return [
    ...boardBranches(at, kind, moment, shares),
    ...at.wires.map((wire): CircuitBranch => {
      const { key, from, to } = wireKeys(wire);
      const ohms = Math.max(1e-4, (wire.ohms ?? shortCoreOhms) * hot);
      return { kind: "resistor", ...standsFor(wirePart(wire.id), key), a: from, b: to, ohms };
    }),
  ];
}

/** An installation as the branches of a network: those of one kind of current, with what the round before made known. */
export function branchesOf(
  at: Installation,
  kind: Kind,
  moment: Moment,
  known: Known,
  standing: readonly CircuitBranch[] = standingBranches(at, kind, moment),
): CircuitBranch[] {
  return [...standing, ...at.devices.flatMap((device) => deviceBranches(at, device, kind, moment, known))];
}
