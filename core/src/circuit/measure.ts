import { commonTerminals, type BoardInput } from "../board/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { madeRailPart, partKey, railPart, type NodeKey, type Part, type PartKey } from "../node/index.ts";
import { countWork } from "../quantity/index.ts";
import {
  branchesOf,
  inputVolts,
  nothingKnown,
  standingBranches,
  takes,
  type CircuitBranch,
  type Kind,
  type Known,
} from "./branches.ts";
import type { Installation, PlacedDevice } from "./installation.ts";
import { deviceKeys, terminalKeys } from "./keys.ts";
import { solveNetwork, type Solution } from "./network/index.ts";
import { soughtOhms } from "./set.ts";
import { atRest, type Moment } from "./situation.ts";
import { solvedOnce } from "./solved.ts";

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
  supplies: Record<PartKey, MeasuredSupply>;
  /** Those of the board and those that devices make. */
  rails: Record<PartKey, MeasuredRail>;
  /** Parts for which no steady state was found; empty when all is well. */
  unsolved: Part[];
}

/** Volts between two points; undefined where they do not belong to one piece of the network that has a source. */
export function between({ volts, island, dead }: Solution, from: NodeKey, to: NodeKey): number | undefined {
  const [one, other] = [island.get(from), island.get(to)];
  if (one === undefined || one !== other || dead.has(one)) return undefined;
  return volts.get(from)! - volts.get(to)!;
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
  supplies: Record<PartKey, MeasuredSupply>;
  unsolved: Part[];
}

function measureSupply({ solutions }: Round, device: PlacedDevice, supply: DeviceSupply): MeasuredSupply {
  const keys = deviceKeys(device);
  const [plus, minus] = [keys.pin(supply.pins.plus), keys.pin(supply.pins.minus)];
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

type Standing = Record<Kind, readonly CircuitBranch[]>;

function solveRound(
  at: Installation,
  moment: Moment,
  known: Known,
  standing: Standing,
  before?: Round,
): Round {
  const round: Round = { solutions: {}, supplies: {}, unsolved: [] };
  for (const kind of ["dc", "ac"] as const) {
    const branches = branchesOf(at, kind, moment, known, standing[kind]);
    // Without a source of this kind nothing has a voltage of it.
    if (!branches.some((branch) => branch.kind === "source")) continue;
    const result = solveNetwork(branches, before?.solutions[kind]?.states);
    if (!("reason" in result)) round.solutions[kind] = result;
    else
      round.unsolved.push(
        ...branches.flatMap(({ id, part }) => (part && result.branches.includes(id) ? [part] : [])),
      );
  }
  for (const device of at.devices)
    for (const supply of device.profile.supplies)
      round.supplies[deviceKeys(device).supply(supply.id)] = measureSupply(round, device, supply);
  return round;
}

/** Over this part of a budget it counts as passed: what a solution is exact to. */
const passed = 1 + 1e-6;

/**
 * What is left for each rail of a budget that its rails pass together, by what each was asked for: a supply that limits, or
 * is merely overloaded, gives no more than all it has; one that fuses gives nothing. What was shared out stays so.
 */
function sharesOf(at: Installation, { solutions }: Round, known: Known): Map<PartKey, number> {
  const shares = new Map(known.shares);
  for (const { id, limitMilliamps, over } of at.board.budgets) {
    const rails = at.board.rails.filter((rail) => rail.budget === id);
    const asked = rails.map((rail): [PartKey, number] => {
      const key = partKey(railPart(rail.id));
      return [key, solutions[rail.kind]?.amps.get(key) ?? 0];
    });
    const sum = asked.reduce((total, [, amps]) => total + amps, 0);
    if (sum * 1_000 <= limitMilliamps * passed) continue;
    const left = over === "fuses" ? 0 : limitMilliamps / 1_000;
    for (const [key, amps] of asked) if (amps > 0) shares.set(key, (left * amps) / sum);
  }
  return shares;
}

function learned(at: Installation, round: Round, before: Known): Known {
  const { solutions, supplies } = round;
  const all = Object.entries(supplies) as [PartKey, MeasuredSupply][];
  const made = at.devices.flatMap((device) =>
    device.profile.provides.map((rail): [PartKey, number] => {
      const key = deviceKeys(device).made(rail.id);
      return [key, solutions[rail.kind]?.amps.get(key) ?? 0];
    }),
  );
  return {
    supplied: new Set(all.filter(([, { state }]) => isMet(state)).map(([key]) => key)),
    volts: new Map(all.map(([key, { volts }]) => [key, volts])),
    made: new Map(made),
    shares: sharesOf(at, round, before),
  };
}

/** True for a supply with voltage enough, or more than that: what it feeds lives. */
export const isMet = (state: MeasuredSupply["state"]): boolean => state === "supplied" || state === "over";

/** Amperes that no longer matter from one round to the next. */
const settledAmps = 1e-4;

const alike = (a: Known, b: Known) =>
  a.shares.size === b.shares.size &&
  a.supplied.size === b.supplied.size &&
  [...a.supplied].every((id) => b.supplied.has(id)) &&
  [...b.made].every(([id, amps]) => Math.abs(amps - (a.made.get(id) ?? 0)) < settledAmps);

/** Drops after which a converter is known to give up whenever what it feeds wakes; the first may be of the solving. */
const dropsToFall = 2;

/**
 * Converters that hold no load: what they feed wakes, pulls them under what they need, dies, and wakes again. They stay
 * low, at the voltage they had under that load, and give nothing.
 */
class Fallen {
  readonly supplies: Record<PartKey, MeasuredSupply> = {};
  readonly #drops = new Map<PartKey, number>();

  /** Notes what lived in a round and no longer does after it. */
  note(known: Known, next: Known, { supplies }: Round): void {
    for (const key of known.supplied) {
      const measured = supplies[key];
      if (next.supplied.has(key) || measured?.state !== "low") continue;
      const drops = (this.#drops.get(key) ?? 0) + 1;
      this.#drops.set(key, drops);
      if (drops === dropsToFall) this.supplies[key] = measured;
    }
  }

  /** What is known once they have fallen. */
  without(known: Known): Known {
    return { ...known, supplied: new Set([...known.supplied].filter((key) => !(key in this.supplies))) };
  }
}

/** Solves an installation until what is supplied by what another device makes has settled. */
export function settled(at: Installation, moment: Moment): Round {
  let known = nothingKnown;
  const fallen = new Fallen();
  const standingWith = ({ shares }: Known): Standing => ({
    dc: standingBranches(at, "dc", moment, shares),
    ac: standingBranches(at, "ac", moment, shares),
  });
  let standing = standingWith(known);
  let round = solveRound(at, moment, known, standing);
  // A chain of converters settles in as many rounds as it has members, each may fall, and its currents take a few more.
  const makers = at.devices.filter((device) => device.profile.provides.length > 0).length;
  for (let n = 0; n < 6 * makers + 6; n++) {
    const met = learned(at, round, known);
    fallen.note(known, met, round);
    const next = fallen.without(met);
    if (alike(known, next)) return { ...round, supplies: { ...round.supplies, ...fallen.supplies } };
    if (next.shares.size !== known.shares.size) standing = standingWith(next);
    known = next;
    round = solveRound(at, moment, known, standing, round);
  }
  const makerRails = at.devices.flatMap(({ id, profile }) =>
    profile.provides.map((rail): Part => madeRailPart(id, rail.id)),
  );
  return { ...round, unsolved: [...round.unsolved, ...makerRails] };
}

/** How the input reads at this part of its own voltage. */
function readsAt(input: BoardInput, part: number, set: Installation["set"]): InputState {
  if (soughtOhms(input, set) === undefined) return part < closedUnder ? "closed" : "open";
  return part < restFrom ? "pressed" : part > restTo ? "cut" : "rest";
}

function inputsOf(at: Installation, solution: Solution | undefined): Record<string, MeasuredInput> {
  const terminal = terminalKeys(at.board);
  return Object.fromEntries(
    at.board.inputs.map((input): [string, MeasuredInput] => {
      const [common = ""] = commonTerminals(at.board, input);
      const volts = solution && between(solution, terminal(input.terminal), terminal(common));
      const reads = at.powered ? readsAt(input, Math.abs(volts ?? inputVolts) / inputVolts, at.set) : "open";
      return [input.id, { volts: volts ?? 0, reads, closed: reads === "closed" || reads === "rest" }];
    }),
  );
}

function railsOf({ solutions }: Round, at: Installation): Record<PartKey, MeasuredRail> {
  const rails: Record<PartKey, MeasuredRail> = {};
  for (const kind of ["dc", "ac"] as const) {
    const solution = solutions[kind];
    if (!solution) continue;
    const add = (key: PartKey, plus: NodeKey, minus: NodeKey) => {
      const amps = solution.amps.get(key);
      if (amps === undefined) return;
      rails[key] = {
        volts: between(solution, plus, minus) ?? 0,
        milliamps: amps * 1_000,
        limited: solution.states.get(key) === "limited",
      };
    };
    const terminal = terminalKeys(at.board);
    for (const { id, plus, minus } of at.board.rails)
      add(partKey(railPart(id)), terminal(plus[0]!), terminal(minus[0]!));
    for (const device of at.devices) {
      const keys = deviceKeys(device);
      for (const { id, pins } of device.profile.provides)
        add(keys.made(id), keys.pin(pins.plus), keys.pin(pins.minus));
    }
  }
  return rails;
}

/** Measures an installation anew, whatever was solved before. */
export function measureAfresh(at: Installation, moment: Moment): Measured {
  countWork("circuits");
  const round = settled(at, moment);
  return {
    inputs: inputsOf(at, round.solutions.dc),
    supplies: round.supplies,
    rails: railsOf(round, at),
    unsolved: round.unsolved,
  };
}

/**
 * Measures an installation at one moment: volts at every input, supply and rail, with the resistance of every core at
 * its temperature. Direct and alternating current are solved apart, the latter as r.m.s. values, and meet where a
 * converter draws from the one what it gives to the other; rounds of solving settle both. Each distinct circuit is
 * solved once for as long as its board's profile lives; a profile that changes is another.
 */
export function measureCircuit(at: Installation, moment: Moment = atRest): Measured {
  return solvedOnce(at, moment, () => measureAfresh(at, moment));
}
