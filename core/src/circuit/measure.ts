import { commonTerminals, type BoardInput } from "../board/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { pinNode, terminalNode, type Installation } from "./installation.ts";
import { solveNetwork, type Solution } from "./network/index.ts";
import { inputVolts, nothingKnown, partsOf, takes, type Kind, type Known } from "./parts.ts";
import { atRest, type Moment } from "./situation.ts";

/** Part of the input's voltage under which a plain contact reads closed. Assumed. */
const closedUnder = 1 / 3;
/**
 * Parts between which an end resistor is found at rest. Its pull is as large as it, so that it sits at a half; two such
 * resistors in series come to two thirds and read as cut, two side by side to a third and read as pressed. Assumed.
 */
const restFrom = 0.36;
const restTo = 0.64;

/** How an input reads at the voltage it finds: a plain contact closed or open, an end resistor at rest, pressed or cut. */
export type InputState = "closed" | "open" | "rest" | "pressed" | "cut";

interface MeasuredInput {
  volts: number;
  reads: InputState;
  /** True for a closed contact, or an end resistor found at rest. */
  closed: boolean;
}

/** How a supply is met: enough, too little, too much, none, with its poles swapped, or with the wrong kind of current. */
export interface MeasuredSupply {
  volts: number;
  state: "supplied" | "low" | "over" | "absent" | "reversed" | "wrong-kind";
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

/** Volts between two points; undefined where they do not belong to one piece of the network that has a source. */
export function between({ volts, island, dead }: Solution, a: string, b: string): number | undefined {
  const [one, other] = [island.get(a), island.get(b)];
  if (one === undefined || one !== other || dead.has(one)) return undefined;
  return volts.get(a)! - volts.get(b)!;
}

/** Under this a meter on a supply shows nothing worth the name, V. Assumed. */
const someVolts = 0.5;

function supplyState(supply: DeviceSupply, volts: number | undefined): MeasuredSupply["state"] {
  if (volts === undefined || Math.abs(volts) < someVolts) return "absent";
  if (volts < 0 && supply.kind === "dc") return "reversed";
  const size = Math.abs(volts);
  if (size > supply.volts.max + 1e-6) return "over";
  return size >= supply.volts.min - 1e-6 ? "supplied" : "low";
}

/** One round of solving: both kinds of current, and how every supply is met. */
export interface Round {
  solutions: Partial<Record<Kind, Solution>>;
  supplies: Record<string, MeasuredSupply>;
  unsolved: string[];
}

function measureSupply({ solutions }: Round, device: string, supply: DeviceSupply): MeasuredSupply {
  const [plus, minus] = [pinNode(device, supply.pins.plus), pinNode(device, supply.pins.minus)];
  const found = (["dc", "ac"] as const).flatMap((kind) => {
    const solution = solutions[kind];
    const volts = solution && between(solution, plus, minus);
    return volts === undefined || Math.abs(volts) < someVolts ? [] : [{ kind, volts }];
  });
  const own = found
    .filter(({ kind }) => takes(supply, kind))
    .sort((a, b) => Math.abs(b.volts) - Math.abs(a.volts))[0];
  if (!own && found[0]) return { volts: found[0].volts, state: "wrong-kind" };
  return { volts: own?.volts ?? 0, state: supplyState(supply, own?.volts) };
}

function solveRound(at: Installation, moment: Moment, known: Known, before?: Round): Round {
  const round: Round = { solutions: {}, supplies: {}, unsolved: [] };
  for (const kind of ["dc", "ac"] as const) {
    const result = solveNetwork(partsOf(at, kind, moment, known), before?.solutions[kind]?.states);
    if ("reason" in result) round.unsolved.push(...result.parts);
    else round.solutions[kind] = result;
  }
  for (const device of at.devices)
    for (const supply of device.profile.supplies)
      round.supplies[`${device.id}/${supply.id}`] = measureSupply(round, device.id, supply);
  return round;
}

function learned(at: Installation, { solutions, supplies }: Round): Known {
  const met = Object.entries(supplies).filter(([, { state }]) => state === "supplied" || state === "over");
  const made = at.devices.flatMap((device) =>
    device.profile.provides.map((rail): [string, number] => {
      const id = `${device.id}/${rail.id}`;
      return [id, solutions[rail.kind]?.amps.get(`rail ${id}`) ?? 0];
    }),
  );
  return {
    supplied: new Set(met.map(([id]) => id)),
    volts: new Map(Object.entries(supplies).map(([id, { volts }]) => [id, volts])),
    made: new Map(made),
  };
}

/** Amperes that no longer matter from one round to the next. */
const settledAmps = 1e-4;

const alike = (a: Known, b: Known) =>
  a.supplied.size === b.supplied.size &&
  [...a.supplied].every((id) => b.supplied.has(id)) &&
  [...b.made].every(([id, amps]) => Math.abs(amps - (a.made.get(id) ?? 0)) < settledAmps);

/** Solves an installation until what is supplied by what another device makes has settled. */
export function settled(at: Installation, moment: Moment): Round {
  let known = nothingKnown;
  let round = solveRound(at, moment, known);
  // A chain of converters settles in as many rounds as it has members, and its currents in a few more.
  const makers = at.devices.filter((device) => device.profile.provides.length > 0).length;
  for (let n = 0; n < 2 * makers + 6; n++) {
    const next = learned(at, round);
    if (alike(known, next)) return round;
    known = next;
    round = solveRound(at, moment, known, round);
  }
  return { ...round, unsolved: [...round.unsolved, ...[...known.made.keys()].map((id) => `rail ${id}`)] };
}

/** How the input reads at this part of its own voltage. */
function readsAt(input: BoardInput, part: number): InputState {
  if (input.ohms === undefined) return part < closedUnder ? "closed" : "open";
  return part < restFrom ? "pressed" : part > restTo ? "cut" : "rest";
}

function inputsOf(at: Installation, solution: Solution | undefined): Record<string, MeasuredInput> {
  return Object.fromEntries(
    at.board.inputs.map((input): [string, MeasuredInput] => {
      const [common = ""] = commonTerminals(at.board, input);
      const volts = solution && between(solution, terminalNode(input.terminal), terminalNode(common));
      const reads = at.powered ? readsAt(input, Math.abs(volts ?? inputVolts) / inputVolts) : "open";
      return [input.id, { volts: volts ?? 0, reads, closed: reads === "closed" || reads === "rest" }];
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

/**
 * Measures an installation at one moment: volts at every input, supply and rail, with the resistance of every core at
 * its temperature. Direct and alternating current are solved apart, the latter as r.m.s. values, and meet where a
 * converter draws from the one what it gives to the other; rounds of solving settle both.
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
