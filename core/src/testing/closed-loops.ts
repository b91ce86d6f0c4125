import { commonTerminals, type BoardProfile } from "../board/index.ts";
import type { DeviceContact } from "../device/index.ts";
import type { Installation, PlacedDevice } from "../circuit/index.ts";
import {
  contactPart,
  nodeKey,
  partKey,
  pinNode,
  supplyPart,
  terminalNode,
  type Node,
  type NodeKey,
  type PartKey,
} from "../node/index.ts";

/** How a device's supply is met. */
type SupplyState = "supplied" | "absent" | "reversed";

/** The circuit read at one moment. */
interface Readings {
  /** True for a closed loop. */
  inputs: Record<string, boolean>;
  supplies: Record<PartKey, SupplyState>;
}

/** What each point conducts to. */
type Graph = Map<NodeKey, NodeKey[]>;

function join(graph: Graph, one: Node, other: Node): void {
  const [a, b] = [nodeKey(one), nodeKey(other)];
  graph.set(a, [...(graph.get(a) ?? []), b]);
  graph.set(b, [...(graph.get(b) ?? []), a]);
}

function joinAll(graph: Graph, terminals: readonly string[]): void {
  for (let at = 1; at < terminals.length; at++)
    join(graph, terminalNode(terminals[0]!), terminalNode(terminals[at]!));
}

/** The board's own copper: terminals of one common, or of one pole of a rail, are one point. */
function boardCopper(graph: Graph, board: BoardProfile): void {
  for (const common of board.commons) joinAll(graph, common.terminals);
  for (const rail of board.rails) {
    joinAll(graph, rail.plus);
    joinAll(graph, rail.minus);
  }
}

/** True when the contact conducts: as it rests, unless it is tripped; one that needs a supply opens without it. */
function conducts(contact: DeviceContact, tripped: boolean, supplied: boolean): boolean {
  if (contact.supply && !supplied) return false;
  return (contact.rest === "closed") !== tripped;
}

function graphOf(at: Installation, supplies: Record<PartKey, SupplyState>): Graph {
  const graph: Graph = new Map();
  boardCopper(graph, at.board);
  for (const wire of at.wires) join(graph, wire.from, wire.to);
  for (const link of at.board.links)
    if (at.linksIn.has(link.id)) join(graph, terminalNode(link.between[0]), terminalNode(link.between[1]));
  for (const device of at.devices)
    for (const contact of device.profile.contacts) {
      const tripped = at.tripped.has(partKey(contactPart(device.id, contact.id)));
      const supplied = supplies[partKey(supplyPart(device.id, contact.supply ?? ""))] === "supplied";
      if (conducts(contact, tripped, supplied))
        join(graph, pinNode(device.id, contact.pins[0]), pinNode(device.id, contact.pins[1]));
    }
  return graph;
}

/** A source that lives just now, with a node of each pole. */
interface Source {
  kind: "dc" | "ac";
  plus: Node;
  minus: Node;
}

function sourcesOf(at: Installation, supplies: Record<PartKey, SupplyState>): Source[] {
  if (!at.powered) return [];
  const rails = at.board.rails
    .filter((rail) => rail.live === "always" || rail.live === "awake")
    .map((rail) => ({
      kind: rail.kind,
      plus: terminalNode(rail.plus[0] ?? ""),
      minus: terminalNode(rail.minus[0] ?? ""),
    }));
  const made = at.devices.flatMap((device) =>
    device.profile.supplies.some(
      (supply) => supplies[partKey(supplyPart(device.id, supply.id))] === "supplied",
    )
      ? device.profile.provides.map((rail) => ({
          kind: rail.kind,
          plus: pinNode(device.id, rail.pins.plus),
          minus: pinNode(device.id, rail.pins.minus),
        }))
      : [],
  );
  return [...rails, ...made];
}

/** For every node, a number it shares with all nodes it conducts to. */
function components(graph: Graph): Map<NodeKey, number> {
  const numbers = new Map<NodeKey, number>();
  let number = 0;
  for (const start of graph.keys()) {
    if (numbers.has(start)) continue;
    number += 1;
    const stack: NodeKey[] = [start];
    numbers.set(start, number);
    for (let node = stack.pop(); node !== undefined; node = stack.pop())
      for (const to of graph.get(node) ?? [])
        if (!numbers.has(to)) {
          numbers.set(to, number);
          stack.push(to);
        }
  }
  return numbers;
}

function supplyState(
  points: ReadonlyMap<NodeKey, number>,
  sources: readonly Source[],
  device: PlacedDevice,
  pins: { plus: string; minus: string },
): SupplyState {
  const plus = points.get(nodeKey(pinNode(device.id, pins.plus)));
  const minus = points.get(nodeKey(pinNode(device.id, pins.minus)));
  const meets = (point: number | undefined, pole: Node) =>
    point !== undefined && point === points.get(nodeKey(pole));
  let state: SupplyState = "absent";
  for (const source of sources) {
    if (meets(plus, source.plus) && meets(minus, source.minus)) return "supplied";
    if (meets(plus, source.minus) && meets(minus, source.plus)) {
      if (source.kind === "ac") return "supplied";
      state = "reversed";
    }
  }
  return state;
}

function suppliesOf(at: Installation): Record<string, SupplyState> {
  let supplies: Record<PartKey, SupplyState> = {};
  // A converter lives once it is fed, and may feed another device: as many rounds as there are devices settle it.
  for (let round = 0; round <= at.devices.length; round++) {
    const points = components(graphOf(at, supplies));
    const sources = sourcesOf(at, supplies);
    const next: Record<PartKey, SupplyState> = {};
    for (const device of at.devices)
      for (const supply of device.profile.supplies)
        next[partKey(supplyPart(device.id, supply.id))] = supplyState(points, sources, device, supply.pins);
    if (JSON.stringify(next) === JSON.stringify(supplies)) break;
    supplies = next;
  }
  return supplies;
}

/**
 * Reads the circuit by closed loops alone, without a volt: whether each input meets its common, and which devices meet
 * both poles of a source. The plain truth that the solved network is compared with, on wiring without resistance to
 * speak of.
 */
export function readLoops(at: Installation): Readings {
  const supplies = suppliesOf(at);
  const points = components(graphOf(at, supplies));
  const inputs = at.board.inputs.map((input): [string, boolean] => {
    const own = points.get(nodeKey(terminalNode(input.terminal)));
    const commons = commonTerminals(at.board, input).map((id) => points.get(nodeKey(terminalNode(id))));
    return [input.id, own !== undefined && commons.includes(own)];
  });
  return { inputs: Object.fromEntries(inputs), supplies };
}
