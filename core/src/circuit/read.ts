import { commonTerminals } from "../board/index.ts";
import { partKey, supplyPart, type NodeKey, type Part, type PartKey } from "../node/index.ts";
import { branchesOf, nothingKnown, type Known } from "./branches.ts";
import type { Installation } from "./installation.ts";
import { terminalKeys } from "./keys.ts";
import { isMet, measureCircuit, type InputState, type MeasuredRail, type MeasuredSupply } from "./measure.ts";
import { atRest } from "./situation.ts";

/** What a closed loop is told by: a link, or a device's contact. Its cores follow from the devices. */
export type Element = Extract<Part, { kind: "link" | "contact" }>;

/** How an input reads: by its own thresholds, and for a closed one what its loop runs through. */
export interface InputReading {
  closed: boolean;
  reads: InputState;
  volts: number;
  loop: Element[];
}

/** The circuit read at rest, with someone at the board. */
export interface Readings {
  inputs: Record<string, InputReading>;
  supplies: Record<PartKey, MeasuredSupply["state"]>;
  /** Volts at each supply. */
  volts: Record<PartKey, number>;
  rails: Record<PartKey, MeasuredRail>;
  /** Rails that give all they can, or are short. */
  limited: PartKey[];
  unsolved: Part[];
}

/** Readings of nothing at all, for what is asked of settings alone. */
export const nothingRead: Readings = {
  inputs: {},
  supplies: {},
  volts: {},
  rails: {},
  limited: [],
  unsolved: [],
};

/** What each point conducts to, by the key of a node. */
type Graph = Map<string, { to: string; element?: Element }[]>;

const isElement = (part: Part | undefined): part is Element =>
  part?.kind === "link" || part?.kind === "contact";

/** What conducts by itself: joints, cores, links and closed contacts, without inputs, sources and loads. */
function conductors(at: Installation, known: Known): Graph {
  const graph: Graph = new Map();
  const add = (from: string, to: string, element?: Element) => {
    const edges = graph.get(from);
    if (edges) edges.push({ to, element });
    else graph.set(from, [{ to, element }]);
  };
  for (const branch of branchesOf(at, "dc", atRest, known)) {
    if ((branch.kind !== "join" && branch.kind !== "resistor") || branch.input !== undefined) continue;
    const element = isElement(branch.part) ? branch.part : undefined;
    add(branch.a, branch.b, element);
    add(branch.b, branch.a, element);
  }
  return graph;
}

/** The shortest way between two sets of points; undefined where there is none. */
function shortestPath(graph: Graph, start: NodeKey, goals: ReadonlySet<string>): Element[] | undefined {
  const cameBy = new Map<string, { from: string; element?: Element } | undefined>([[start, undefined]]);
  const queue: string[] = [start];
  for (const node of queue) {
    if (goals.has(node)) {
      const elements: Element[] = [];
      for (let step = cameBy.get(node); step; step = cameBy.get(step.from))
        if (step.element) elements.unshift(step.element);
      return elements;
    }
    for (const edge of graph.get(node) ?? [])
      if (!cameBy.has(edge.to)) {
        cameBy.set(edge.to, { from: node, element: edge.element });
        queue.push(edge.to);
      }
  }
  return undefined;
}

/** A board without power reads nothing, and feeds nothing. */
function withoutPower(at: Installation): Readings {
  const dark: InputReading = { closed: false, reads: "open", volts: 0, loop: [] };
  const supplies = at.devices.flatMap((device) =>
    device.profile.supplies.map((supply) => partKey(supplyPart(device.id, supply.id))),
  );
  return {
    ...nothingRead,
    inputs: Object.fromEntries(at.board.inputs.map((input) => [input.id, dark])),
    supplies: Object.fromEntries(supplies.map((key) => [key, "absent" as const])),
  };
}

/**
 * Reads the circuit as the board does: each input by the voltage it finds, and for a closed one the links and
 * contacts its loop runs through; how each device is supplied. Rails that live only while something moves count as
 * dead: the leaf rests, and the board is awake.
 */
export function readCircuit(at: Installation): Readings {
  if (!at.powered) return withoutPower(at);
  const measured = measureCircuit(at);
  const states = Object.entries(measured.supplies) as [PartKey, MeasuredSupply][];
  const supplied = new Set(states.filter(([, { state }]) => isMet(state)).map(([key]) => key));
  const graph = conductors(at, { ...nothingKnown, supplied });
  const terminal = terminalKeys(at.board);
  const inputs = at.board.inputs.map((input): [string, InputReading] => {
    const { volts, reads, closed } = measured.inputs[input.id]!;
    const common = new Set(commonTerminals(at.board, input).map(terminal));
    const loop = closed ? shortestPath(graph, terminal(input.terminal), common) : undefined;
    return [input.id, { closed, reads, volts, loop: loop ?? [] }];
  });
  const rails = Object.entries(measured.rails) as [PartKey, MeasuredRail][];
  return {
    inputs: Object.fromEntries(inputs),
    supplies: Object.fromEntries(states.map(([key, { state }]) => [key, state])),
    volts: Object.fromEntries(states.map(([key, { volts }]) => [key, volts])),
    rails: measured.rails,
    limited: rails.filter(([, { limited }]) => limited).map(([key]) => key),
    unsolved: measured.unsolved,
  };
}
