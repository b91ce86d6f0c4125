import { commonTerminals, type BoardInput } from "../board/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { copperRatio } from "../quantity/index.ts";
import { pinNode, terminalNode, type Installation, type Node, type PlacedDevice } from "./installation.ts";
import { solveNetwork, type Part, type Solution } from "./network/index.ts";

/** Volts an input puts on its terminal through its own resistor. Assumed: common practice, no published source. */
const inputVolts = 24;
/** That resistor, Ω: of a plain contact's input, and of one that looks for an end resistor (then as large as it). */
const contactPullOhms = 4_700;
/** Parts of the input's voltage under which it reads closed; an end resistor must lie between the two. Assumed. */
const closedUnder = 1 / 3;
const restFrom = 0.25;
const restTo = 0.75;
/** What a rail has inside, Ω: small against any cable. Assumed. */
const railOhms = 0.1;
/** Resistance of a core whose cable is not known, such as one inside the cabinet, Ω. */
const shortCoreOhms = 0.02;

/** How an input reads at the voltage it finds. */
interface MeasuredInput {
  volts: number;
  /** At rest as the board sees it: closed, or for an end resistor, its value found. */
  closed: boolean;
}

/** How a supply is met: enough, too little, too much, none, or with its poles swapped. */
export interface MeasuredSupply {
  volts: number;
  state: "supplied" | "low" | "over" | "absent" | "reversed";
}

/** A rail under load. */
export interface MeasuredRail {
  volts: number;
  milliamps: number;
  limited: boolean;
}

/** What a meter would read in an installation at one moment. */
export interface Measured {
  inputs: Record<string, MeasuredInput>;
  /** By `device/supply`. */
  supplies: Record<string, MeasuredSupply>;
  /** By rail, or by `device/rail` for what a device makes. */
  rails: Record<string, MeasuredRail>;
  /** Parts for which no steady state was found; empty when all is well. */
  unsolved: string[];
}

/** The moment that is measured: the leaf at rest, or under way with everything at its working current. */
export interface Moment {
  moving: boolean;
  /** Temperature of every core, °C. */
  celsius: number;
}

const atRest: Moment = { moving: false, celsius: 20 };

type Kind = "dc" | "ac";

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

const takes = (supply: DeviceSupply, kind: Kind) => supply.kind === "either" || supply.kind === kind;

function partsOf(at: Installation, kind: Kind, supplied: ReadonlySet<string>, moment: Moment): Part[] {
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

/** Volts between two points; undefined where they do not belong to one piece of the network that has a source. */
function between({ volts, island, dead }: Solution, a: string, b: string): number | undefined {
  const [one, other] = [island.get(a), island.get(b)];
  if (one === undefined || one !== other || dead.has(one)) return undefined;
  return volts.get(a)! - volts.get(b)!;
}

function supplyState(supply: DeviceSupply, volts: number | undefined): MeasuredSupply["state"] {
  if (volts === undefined || Math.abs(volts) < 0.5) return "absent";
  if (volts < 0 && supply.kind === "dc") return "reversed";
  const size = Math.abs(volts);
  if (size > supply.volts.max + 1e-6) return "over";
  return size >= supply.volts.min - 1e-6 ? "supplied" : "low";
}

interface Round {
  solutions: Partial<Record<Kind, Solution>>;
  supplies: Record<string, MeasuredSupply>;
  unsolved: string[];
}

function solveRound(at: Installation, supplied: ReadonlySet<string>, moment: Moment): Round {
  const round: Round = { solutions: {}, supplies: {}, unsolved: [] };
  for (const kind of ["dc", "ac"] as const) {
    const result = solveNetwork(partsOf(at, kind, supplied, moment));
    if ("reason" in result) round.unsolved.push(...result.parts);
    else round.solutions[kind] = result;
  }
  for (const device of at.devices)
    for (const supply of device.profile.supplies) {
      const found = (["dc", "ac"] as const).flatMap((kind) => {
        const solution = takes(supply, kind) ? round.solutions[kind] : undefined;
        const [plus, minus] = [pinNode(device.id, supply.pins.plus), pinNode(device.id, supply.pins.minus)];
        const volts = solution && between(solution, plus, minus);
        return volts === undefined ? [] : [volts];
      });
      const volts = found.sort((a, b) => Math.abs(b) - Math.abs(a))[0];
      round.supplies[`${device.id}/${supply.id}`] = { volts: volts ?? 0, state: supplyState(supply, volts) };
    }
  return round;
}

function inputsOf(at: Installation, solution: Solution | undefined): Record<string, MeasuredInput> {
  return Object.fromEntries(
    at.board.inputs.map((input): [string, MeasuredInput] => {
      const [common = ""] = commonTerminals(at.board, input);
      const volts = solution && between(solution, terminalNode(input.terminal), terminalNode(common));
      const part = Math.abs(volts ?? inputVolts) / inputVolts;
      const closed = input.ohms === undefined ? part < closedUnder : part > restFrom && part < restTo;
      return [input.id, { volts: volts ?? 0, closed: at.powered && closed }];
    }),
  );
}

function railsOf({ solutions }: Round, at: Installation): Record<string, MeasuredRail> {
  const rails: Record<string, MeasuredRail> = {};
  for (const kind of ["dc", "ac"] as const) {
    const solution = solutions[kind];
    if (!solution) continue;
    const add = (id: string, plus: string, minus: string) => {
      const amps = solution.amps.get(`rail ${id}`);
      if (amps === undefined) return;
      rails[id] = {
        volts: between(solution, plus, minus) ?? 0,
        milliamps: amps * 1_000,
        limited: solution.states.get(`rail ${id}`) === "limited",
      };
    };
    for (const rail of at.board.rails)
      add(rail.id, terminalNode(rail.plus[0]!), terminalNode(rail.minus[0]!));
    for (const device of at.devices)
      for (const rail of device.profile.provides)
        add(
          `${device.id}/${rail.id}`,
          pinNode(device.id, rail.pins.plus),
          pinNode(device.id, rail.pins.minus),
        );
  }
  return rails;
}

/** Solves an installation until what is supplied by what another device makes has settled. */
function settled(at: Installation, moment: Moment): Round {
  let supplied: ReadonlySet<string> = new Set();
  let round = solveRound(at, supplied, moment);
  for (let n = 0; n <= at.devices.length; n++) {
    const next = new Set(
      Object.keys(round.supplies).filter((id) => round.supplies[id]!.state === "supplied"),
    );
    if (next.size === supplied.size && [...next].every((id) => supplied.has(id))) break;
    supplied = next;
    round = solveRound(at, supplied, moment);
  }
  return round;
}

/**
 * Measures an installation at one moment: volts at every input, supply and rail, with the resistance of every core at
 * its temperature. Direct and alternating current are solved apart, the latter as r.m.s. values. A device whose supply is
 * met only by what another makes settles in as many rounds as there are devices.
 */
export function measureCircuit(at: Installation, moment: Moment = atRest): Measured {
  const round = settled(at, moment);
  return {
    inputs: inputsOf(at, round.solutions.dc),
    supplies: round.supplies,
    rails: railsOf(round, at),
    unsolved: round.unsolved,
  };
}

/** What a meter shows between two points: volts with their kind, or ohms; nothing where the points do not meet. */
export interface MeterReading {
  volts?: number;
  kind?: Kind;
  ohms?: number;
}

/** Volts of the meter's own battery and the resistance behind it. Any small voltage would do: diodes stay shut. */
const probe = { volts: 0.2, ohms: 1_000 };
/** Resistance from which a meter shows an open circuit, Ω. */
const openOhms = 2e7;

/**
 * What a meter shows between two points of an installation: volts while it has power, ohms while it has none. On ohms
 * the electronics of devices count as open, as a meter's small voltage does not wake them.
 */
export function meterBetween(at: Installation, a: Node, b: Node, moment: Moment = atRest): MeterReading {
  if (a === b) return at.powered ? { volts: 0 } : { ohms: 0 };
  if (at.powered) {
    const { solutions } = settled(at, moment);
    const found = (["dc", "ac"] as const).flatMap((kind) => {
      const volts = solutions[kind] && between(solutions[kind], a, b);
      return volts === undefined ? [] : [{ kind, volts }];
    });
    return found.sort((one, other) => Math.abs(other.volts) - Math.abs(one.volts))[0] ?? {};
  }
  const passive = partsOf(at, "dc", new Set(), moment).filter((part) => part.kind !== "load");
  const result = solveNetwork([
    ...passive,
    { kind: "source", id: "probe", plus: a, minus: b, volts: probe.volts, ohms: probe.ohms },
  ]);
  const amps = "reason" in result ? 0 : (result.amps.get("probe") ?? 0);
  const ohms = amps > 0 ? probe.volts / amps - probe.ohms : Infinity;
  return ohms < openOhms ? { ohms: Math.max(0, ohms) } : {};
}
