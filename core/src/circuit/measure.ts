import { commonTerminals } from "../board/index.ts";
import type { DeviceSupply } from "../device/index.ts";
import { pinNode, terminalNode, type Installation } from "./installation.ts";
import { solveNetwork, type Solution } from "./network/index.ts";
import { atRest, inputVolts, partsOf, takes, type Kind, type Moment } from "./parts.ts";

/** Parts of the input's voltage under which it reads closed; an end resistor must lie between the two. Assumed. */
const closedUnder = 1 / 3;
const restFrom = 0.25;
const restTo = 0.75;
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

/** Volts between two points; undefined where they do not belong to one piece of the network that has a source. */
export function between({ volts, island, dead }: Solution, a: string, b: string): number | undefined {
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
export function settled(at: Installation, moment: Moment): Round {
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
