import { addTo, solveSymmetric, type SymmetricRows } from "./sparse.ts";

/** A point of a network, by name. */
type Point = string;

/** A part of a network between points; ohms, volts and amps. */
export type Part =
  | { kind: "join"; id: string; a: Point; b: Point }
  | { kind: "resistor"; id: string; a: Point; b: Point; ohms: number }
  | { kind: "source"; id: string; plus: Point; minus: Point; volts: number; ohms: number; limitAmps?: number }
  | { kind: "diode"; id: string; anode: Point; cathode: Point; dropVolts: number }
  | { kind: "load"; id: string; plus: Point; minus: Point; amps: number; leastVolts: number };

/** How a part stands in the solution: a source at its limit, a diode that conducts, a load without enough voltage. */
type PartState = "normal" | "limited" | "conducting" | "blocking" | "starved";

/** Voltages and currents everywhere. */
export interface Solution {
  /** Volts of each point against the reference of its own part of the network. */
  volts: Map<Point, number>;
  /** Points that belong together share a number; between two numbers there is no voltage to speak of. */
  island: Map<Point, number>;
  /** Islands without any source. */
  dead: Set<number>;
  /** Amps through each part, from its first point to its second, or out of a source's plus. */
  amps: Map<string, number>;
  states: Map<string, PartState>;
}

/** Why a network has no solution. */
interface Unsolved {
  reason: "no steady state" | "singular";
  parts: string[];
}

/** What a conducting diode adds to its drop, and what a blocking one lets through. */
const diodeOhms = 0.02;
const blockingOhms = 1e9;
/** Rounds after which states that still change are called unsteady. */
const mostRounds = 60;

const endsOf = (part: Part): [Point, Point] => {
  switch (part.kind) {
    case "join":
    case "resistor":
      return [part.a, part.b];
    case "diode":
      return [part.anode, part.cathode];
    default:
      return [part.plus, part.minus];
  }
};

/** Groups points: those that joins make one, and those that any part connects. */
class Groups {
  readonly #parent = new Map<Point, Point>();
  find(point: Point): Point {
    const parent = this.#parent.get(point);
    if (parent === undefined) this.#parent.set(point, point);
    if (parent === undefined || parent === point) return point;
    const root = this.find(parent);
    this.#parent.set(point, root);
    return root;
  }
  unite(a: Point, b: Point): void {
    this.#parent.set(this.find(a), this.find(b));
  }
}

/** A part as the linear solver sees it in one state: a conductance, and a current pushed from its first point to its second. */
function linear(part: Part, state: PartState): { siemens: number; push: number } {
  switch (part.kind) {
    case "join":
      return { siemens: 0, push: 0 };
    case "resistor":
      return { siemens: 1 / part.ohms, push: 0 };
    case "source":
      return state === "limited"
        ? { siemens: 1 / blockingOhms, push: -(part.limitAmps ?? 0) }
        : { siemens: 1 / part.ohms, push: -part.volts / part.ohms };
    case "diode":
      return state === "conducting"
        ? { siemens: 1 / diodeOhms, push: -part.dropVolts / diodeOhms }
        : { siemens: 1 / blockingOhms, push: 0 };
    case "load":
      if (state === "normal") return { siemens: 1 / blockingOhms, push: part.amps };
      return { siemens: state === "starved" ? part.amps / part.leastVolts : 1 / blockingOhms, push: 0 };
  }
}

/** The state a part should be in at this voltage from its first point to its second. */
function stateAt(part: Part, now: PartState, volts: number): PartState {
  const { siemens, push } = linear(part, now);
  const amps = siemens * volts + push;
  switch (part.kind) {
    case "diode":
      return now === "conducting"
        ? amps < 0
          ? "blocking"
          : "conducting"
        : volts > part.dropVolts
          ? "conducting"
          : "blocking";
    case "source":
      if (part.limitAmps === undefined) return "normal";
      if (now === "normal") return -amps > part.limitAmps * (1 + 1e-9) ? "limited" : "normal";
      return volts > part.volts - part.limitAmps * part.ohms + 1e-9 ? "normal" : "limited";
    case "load":
      if (part.amps === 0) return "normal";
      // From full draw to none it goes by way of starving: a source at its limit settles there.
      if (now === "normal") return volts >= part.leastVolts - 1e-9 ? "normal" : "starved";
      if (volts < -1e-6) return "blocking";
      return now === "starved" && volts >= part.leastVolts - 1e-9 ? "normal" : "starved";
    default:
      return "normal";
  }
}

const firstState = (part: Part): PartState =>
  part.kind === "diode" ? "blocking" : part.kind === "load" && part.amps > 0 ? "starved" : "normal";

/** The network with its joined points made one, and one point of each island taken as its reference. */
function layOut(parts: readonly Part[]) {
  const nodes = new Groups();
  const islands = new Groups();
  for (const part of parts) {
    const [a, b] = endsOf(part);
    nodes.find(a);
    nodes.find(b);
    if (part.kind === "join") nodes.unite(a, b);
    islands.unite(a, b);
  }
  const points = [...new Set(parts.flatMap(endsOf))];
  const references = new Map<Point, Point>();
  const fed = new Set<Point>();
  for (const part of parts)
    if (part.kind === "source") {
      const island = islands.find(part.minus);
      fed.add(island);
      if (!references.has(island)) references.set(island, nodes.find(part.minus));
    }
  for (const point of points) {
    const island = islands.find(point);
    if (!references.has(island)) references.set(island, nodes.find(point));
  }
  const grounded = new Set(references.values());
  const index = new Map<Point, number>();
  for (const point of points) {
    const node = nodes.find(point);
    if (!grounded.has(node) && !index.has(node)) index.set(node, index.size);
  }
  const islandNumbers = new Map([...references.keys()].map((island, at) => [island, at]));
  return {
    points,
    at: (point: Point) => index.get(nodes.find(point)),
    size: index.size,
    islandOf: (point: Point) => islandNumbers.get(islands.find(point)) ?? 0,
    dead: new Set([...islandNumbers].filter(([island]) => !fed.has(island)).map(([, number]) => number)),
  };
}

type Layout = ReturnType<typeof layOut>;

function solveLinear(parts: readonly Part[], states: ReadonlyMap<string, PartState>, layout: Layout) {
  const rows: SymmetricRows = Array.from({ length: layout.size }, () => new Map<number, number>());
  const right = new Array<number>(layout.size).fill(0);
  for (const part of parts) {
    if (part.kind === "join") continue;
    const { siemens, push } = linear(part, states.get(part.id) ?? "normal");
    const [a, b] = endsOf(part).map(layout.at);
    if (a === b) continue;
    if (a !== undefined) {
      addTo(rows, a, a, siemens);
      right[a] = right[a]! - push;
    }
    if (b !== undefined) {
      addTo(rows, b, b, siemens);
      right[b] = right[b]! + push;
    }
    if (a !== undefined && b !== undefined) addTo(rows, a, b, -siemens);
  }
  return solveSymmetric(rows, right);
}

/**
 * Solves a d.c. network by nodal analysis. Diodes, sources at their limit and loads without enough voltage are found by
 * rounds: each part is put into the state its voltage asks for until none changes. What hangs on no source has no
 * voltage and is named as dead; what finds no steady state, or has no single solution, is returned as unsolved with the
 * parts concerned, never as a number that is none.
 */
export function solveNetwork(parts: readonly Part[]): Solution | Unsolved {
  const layout = layOut(parts);
  const states = new Map(parts.map((part) => [part.id, firstState(part)]));
  for (let round = 0; round < mostRounds; round++) {
    const solved = solveLinear(parts, states, layout);
    if (!solved?.every(Number.isFinite)) return { reason: "singular", parts: parts.map((part) => part.id) };
    const volts = (point: Point) => {
      const at = layout.at(point);
      return at === undefined ? 0 : solved[at]!;
    };
    const across = (part: Part) => {
      const [a, b] = endsOf(part);
      return volts(a) - volts(b);
    };
    const changes = parts.filter((part) => {
      const now = states.get(part.id)!;
      return part.kind !== "join" && stateAt(part, now, across(part)) !== now;
    });
    if (!changes.length) {
      const amps = new Map<string, number>();
      for (const part of parts) {
        if (part.kind === "join") continue;
        const { siemens, push } = linear(part, states.get(part.id)!);
        const through = siemens * across(part) + push;
        amps.set(part.id, part.kind === "source" ? -through : through);
      }
      return {
        volts: new Map(layout.points.map((point) => [point, volts(point)])),
        island: new Map(layout.points.map((point) => [point, layout.islandOf(point)])),
        dead: layout.dead,
        amps,
        states,
      };
    }
    // Late rounds change one part at a time, so that two that answer one another do not swing for ever.
    for (const part of round < mostRounds / 3 ? changes : changes.slice(0, 1))
      states.set(part.id, stateAt(part, states.get(part.id)!, across(part)));
    if (round === mostRounds - 1) return { reason: "no steady state", parts: changes.map((part) => part.id) };
  }
  return { reason: "no steady state", parts: [] };
}
