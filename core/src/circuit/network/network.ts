import { addTo, solveSymmetric, type SymmetricRows } from "./sparse.ts";

/** A point of a network, by name. */
type Point = string;

/** A branch of a network between points; ohms, volts and amps. */
export type Branch =
  | { kind: "join"; id: string; a: Point; b: Point }
  | { kind: "resistor"; id: string; a: Point; b: Point; ohms: number }
  | { kind: "source"; id: string; plus: Point; minus: Point; volts: number; ohms: number; limitAmps?: number }
  | { kind: "diode"; id: string; anode: Point; cathode: Point; dropVolts: number }
  | { kind: "load"; id: string; plus: Point; minus: Point; amps: number; leastVolts: number };

/** How a branch stands in the solution: a source at its limit, a diode that conducts, a load without enough voltage. */
type BranchState = "normal" | "limited" | "conducting" | "blocking" | "starved";

/** Voltages and currents everywhere. */
export interface Solution {
  /** Volts of each point against the reference of its own part of the network. */
  volts: Map<Point, number>;
  /** Points that belong together share a number; between two numbers there is no voltage to speak of. */
  island: Map<Point, number>;
  /** Islands without any source. */
  dead: Set<number>;
  /** Amps through each branch, from its first point to its second, or out of a source's plus. */
  amps: Map<string, number>;
  states: Map<string, BranchState>;
}

/** Why a network has no solution. */
interface Unsolved {
  reason: "no steady state" | "singular";
  branches: string[];
}

/** What a conducting diode adds to its drop, and what a blocking one lets through. */
const diodeOhms = 0.02;
const blockingOhms = 1e9;
/** Rounds after which states that still change are called unsteady. */
const mostRounds = 60;

const endsOf = (branch: Branch): [Point, Point] => {
  switch (branch.kind) {
    case "join":
    case "resistor":
      return [branch.a, branch.b];
    case "diode":
      return [branch.anode, branch.cathode];
    default:
      return [branch.plus, branch.minus];
  }
};

/** Groups of numbers: those that joins make one, and those that any branch connects. */
class Groups {
  readonly #parent: number[] = [];
  grow(): void {
    this.#parent.push(this.#parent.length);
  }
  find(at: number): number {
    let root = at;
    while (this.#parent[root] !== root) root = this.#parent[root]!;
    for (let next = at; next !== root;) [next, this.#parent[next]] = [this.#parent[next]!, root];
    return root;
  }
  unite(a: number, b: number): void {
    this.#parent[this.find(a)] = this.find(b);
  }
}

/** A branch as the linear solver sees it in one state: a conductance, and a current pushed from its first point to its second. */
function linear(branch: Branch, state: BranchState): { siemens: number; push: number } {
  switch (branch.kind) {
    case "join":
      return { siemens: 0, push: 0 };
    case "resistor":
      return { siemens: 1 / branch.ohms, push: 0 };
    case "source":
      return state === "limited"
        ? { siemens: 1 / blockingOhms, push: -(branch.limitAmps ?? 0) }
        : { siemens: 1 / branch.ohms, push: -branch.volts / branch.ohms };
    case "diode":
      return state === "conducting"
        ? { siemens: 1 / diodeOhms, push: -branch.dropVolts / diodeOhms }
        : { siemens: 1 / blockingOhms, push: 0 };
    case "load":
      if (state === "normal") return { siemens: 1 / blockingOhms, push: branch.amps };
      return { siemens: state === "starved" ? branch.amps / branch.leastVolts : 1 / blockingOhms, push: 0 };
  }
}

/** The state a branch should be in at this voltage from its first point to its second. */
function stateAt(branch: Branch, now: BranchState, volts: number): BranchState {
  const { siemens, push } = linear(branch, now);
  const amps = siemens * volts + push;
  switch (branch.kind) {
    case "diode":
      return now === "conducting"
        ? amps < 0
          ? "blocking"
          : "conducting"
        : volts > branch.dropVolts
          ? "conducting"
          : "blocking";
    case "source":
      if (branch.limitAmps === undefined) return "normal";
      if (now === "normal") return -amps > branch.limitAmps * (1 + 1e-9) ? "limited" : "normal";
      return volts > branch.volts - branch.limitAmps * branch.ohms + 1e-9 ? "normal" : "limited";
    case "load":
      if (branch.amps === 0) return "normal";
      // From full draw to none it goes by way of starving: a source at its limit settles there.
      if (now === "normal") return volts >= branch.leastVolts - 1e-9 ? "normal" : "starved";
      if (volts < -1e-6) return "blocking";
      return now === "starved" && volts >= branch.leastVolts - 1e-9 ? "normal" : "starved";
    default:
      return "normal";
  }
}

const firstState = (branch: Branch): BranchState =>
  branch.kind === "diode" ? "blocking" : branch.kind === "load" && branch.amps > 0 ? "starved" : "normal";

/** An unknown's number of a point that is the reference of its island. */
const ground = -1;

/** The network with its points numbered, joined ones made one, and one point of each island taken as its reference. */
function layOut(branches: readonly Branch[]) {
  const numbers = new Map<Point, number>();
  const nodes = new Groups();
  const islands = new Groups();
  const number = (point: Point): number => {
    const known = numbers.get(point);
    if (known !== undefined) return known;
    numbers.set(point, numbers.size);
    nodes.grow();
    islands.grow();
    return numbers.size - 1;
  };
  const ends = branches.map((branch): [number, number] => {
    const [a, b] = endsOf(branch);
    return [number(a), number(b)];
  });
  branches.forEach((branch, at) => {
    const [a, b] = ends[at]!;
    if (branch.kind === "join") nodes.unite(a, b);
    islands.unite(a, b);
  });
  const references = new Map<number, number>();
  const fed = new Set<number>();
  branches.forEach((branch, at) => {
    if (branch.kind !== "source") return;
    const minus = ends[at]![1];
    const island = islands.find(minus);
    fed.add(island);
    if (!references.has(island)) references.set(island, nodes.find(minus));
  });
  const points = [...numbers.keys()];
  points.forEach((_, point) => {
    const island = islands.find(point);
    if (!references.has(island)) references.set(island, nodes.find(point));
  });
  const unknowns = new Map<number, number>([...references.values()].map((node) => [node, ground]));
  let size = 0;
  const unknownOf = points.map((_, point): number => {
    // Where no source feeds, nothing has a voltage: there is nothing to solve.
    if (!fed.has(islands.find(point))) return ground;
    const node = nodes.find(point);
    const known = unknowns.get(node);
    if (known !== undefined) return known;
    unknowns.set(node, size);
    return size++;
  });
  const islandNumbers = new Map([...references.keys()].map((island, at) => [island, at]));
  return {
    points,
    size,
    unknownOf,
    /** Unknowns at both ends of each branch. */
    ends: ends.map(([a, b]): [number, number] => [unknownOf[a]!, unknownOf[b]!]),
    islandOf: points.map((_, point) => islandNumbers.get(islands.find(point)) ?? 0),
    dead: new Set([...islandNumbers].filter(([island]) => !fed.has(island)).map(([, at]) => at)),
  };
}

type Layout = ReturnType<typeof layOut>;

function solveLinear(branches: readonly Branch[], states: readonly BranchState[], layout: Layout) {
  const rows: SymmetricRows = Array.from({ length: layout.size }, () => new Map<number, number>());
  const right = new Array<number>(layout.size).fill(0);
  branches.forEach((branch, at) => {
    if (branch.kind === "join") return;
    const { siemens, push } = linear(branch, states[at]!);
    const [a, b] = layout.ends[at]!;
    if (a === b) return;
    if (a !== ground) {
      addTo(rows, a, a, siemens);
      right[a] = right[a]! - push;
    }
    if (b !== ground) {
      addTo(rows, b, b, siemens);
      right[b] = right[b]! + push;
    }
    if (a !== ground && b !== ground) addTo(rows, a, b, -siemens);
  });
  return solveSymmetric(rows, right);
}

/**
 * Solves a d.c. network by nodal analysis. Diodes, sources at their limit and loads without enough voltage are found by
 * rounds: each branch is put into the state its voltage asks for until none changes. What hangs on no source has no
 * voltage and is named as dead; what finds no steady state, or has no single solution, is returned as unsolved with the
 * branches concerned, never as a number that is none. States of a solution that was much the same may be given to begin with.
 */
export function solveNetwork(branches: readonly Branch[], hint?: Solution["states"]): Solution | Unsolved {
  const layout = layOut(branches);
  const states = branches.map((branch) => hint?.get(branch.id) ?? firstState(branch));
  for (let round = 0; round < mostRounds; round++) {
    const solved = solveLinear(branches, states, layout);
    if (!solved?.every(Number.isFinite))
      return { reason: "singular", branches: branches.map((branch) => branch.id) };
    const voltsAt = (unknown: number) => (unknown === ground ? 0 : solved[unknown]!);
    const across = (at: number) => voltsAt(layout.ends[at]![0]) - voltsAt(layout.ends[at]![1]);
    const changes = branches.flatMap((branch, at) =>
      branch.kind !== "join" && stateAt(branch, states[at]!, across(at)) !== states[at] ? [at] : [],
    );
    if (!changes.length) return solutionOf(branches, states, layout, voltsAt, across);
    // Late rounds change one branch at a time, so that two that answer one another do not swing for ever.
    for (const at of round < mostRounds / 3 ? changes : changes.slice(0, 1))
      states[at] = stateAt(branches[at]!, states[at]!, across(at));
    if (round === mostRounds - 1)
      return { reason: "no steady state", branches: changes.map((at) => branches[at]!.id) };
  }
  return { reason: "no steady state", branches: [] };
}

function solutionOf(
  branches: readonly Branch[],
  states: readonly BranchState[],
  { points, unknownOf, islandOf, dead }: Layout,
  voltsAt: (unknown: number) => number,
  across: (at: number) => number,
): Solution {
  const amps = new Map<string, number>();
  branches.forEach((branch, at) => {
    if (branch.kind === "join") return;
    const { siemens, push } = linear(branch, states[at]!);
    const through = siemens * across(at) + push;
    amps.set(branch.id, branch.kind === "source" ? -through : through);
  });
  return {
    volts: new Map(points.map((point, at) => [point, voltsAt(unknownOf[at]!)])),
    island: new Map(points.map((point, at) => [point, islandOf[at]!])),
    dead,
    amps,
    states: new Map(branches.map((branch, at) => [branch.id, states[at]!])),
  };
}
