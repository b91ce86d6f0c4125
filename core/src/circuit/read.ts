import { commonTerminals } from "../board/index.ts";
import { terminalNode, type Installation, type Node } from "./installation.ts";
import { measureCircuit, type InputState, type MeasuredRail, type MeasuredSupply } from "./measure.ts";
import { partsOf, type Known } from "./parts.ts";
import { atRest } from "./situation.ts";

/** Something current passes through, by kind and id: a wire, a link, or a device's contact. */
export interface Element {
  kind: "wire" | "link" | "contact";
  id: string;
}

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
  /** By `device/supply`. */
  supplies: Record<string, MeasuredSupply["state"]>;
  /** Volts at each supply. */
  volts: Record<string, number>;
  rails: Record<string, MeasuredRail>;
  /** Rails that give all they can, or are short. */
  limited: string[];
  unsolved: string[];
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

type Graph = Map<Node, { to: Node; element?: Element }[]>;

function elementOf(id: string): Element | undefined {
  const kind = id.slice(0, id.indexOf(" "));
  return kind === "wire" || kind === "link" || kind === "contact"
    ? { kind, id: id.slice(kind.length + 1) }
    : undefined;
}

/** What conducts by itself: joints, cores, links and closed contacts, without inputs, sources and loads. */
function conductors(at: Installation, known: Known): Graph {
  const graph: Graph = new Map();
  for (const part of partsOf(at, "dc", atRest, known)) {
    if ((part.kind !== "join" && part.kind !== "resistor") || part.id.endsWith(" pull")) continue;
    const element = elementOf(part.id);
    for (const [from, to] of [
      [part.a, part.b],
      [part.b, part.a],
    ] as const)
      graph.set(from, [...(graph.get(from) ?? []), { to, element }]);
  }
  return graph;
}

/** The shortest way between two sets of points; undefined where there is none. */
function path(graph: Graph, start: Node, goals: ReadonlySet<Node>): Element[] | undefined {
  const cameBy = new Map<Node, { from: Node; element?: Element } | undefined>([[start, undefined]]);
  const queue = [start];
  for (let node = queue.shift(); node !== undefined; node = queue.shift()) {
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
    device.profile.supplies.map((supply) => `${device.id}/${supply.id}`),
  );
  return {
    ...nothingRead,
    inputs: Object.fromEntries(at.board.inputs.map((input) => [input.id, dark])),
    supplies: Object.fromEntries(supplies.map((id) => [id, "absent" as const])),
  };
}

/**
 * Reads the circuit as the board does: each input by the voltage it finds, and for a closed one the wires, links and
 * contacts its loop runs through; how each device is supplied. Rails that live only while something moves count as
 * dead: the leaf rests, and the board is awake.
 */
export function readCircuit(at: Installation): Readings {
  if (!at.powered) return withoutPower(at);
  const measured = measureCircuit(at);
  const states = Object.entries(measured.supplies);
  const supplied = new Set(
    states.filter(([, { state }]) => state === "supplied" || state === "over").map(([id]) => id),
  );
  const graph = conductors(at, { supplied, volts: new Map(), made: new Map() });
  const inputs = at.board.inputs.map((input): [string, InputReading] => {
    const { volts, reads, closed } = measured.inputs[input.id]!;
    const common = new Set(commonTerminals(at.board, input).map(terminalNode));
    const loop = closed ? path(graph, terminalNode(input.terminal), common) : undefined;
    return [input.id, { closed, reads, volts, loop: loop ?? [] }];
  });
  return {
    inputs: Object.fromEntries(inputs),
    supplies: Object.fromEntries(states.map(([id, { state }]) => [id, state])),
    volts: Object.fromEntries(states.map(([id, { volts }]) => [id, volts])),
    rails: measured.rails,
    limited: Object.keys(measured.rails).filter((id) => measured.rails[id]!.limited),
    unsolved: measured.unsolved,
  };
}
