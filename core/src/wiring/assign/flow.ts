import type { Cost } from "./cost.ts";

/** Capacity and cost under which an edge counts as full, and a way as no shorter. */
const epsilon = 1e-9;

/**
 * A flow of least cost from node 0 to node 1, by successive shortest paths with Bellman and Ford's queue. Costs are
 * pairs and compare as in a dictionary; those of parallel edges may grow, which makes the price of a use convex.
 */
export class Flow {
  readonly source = 0;
  readonly sink = 1;
  #nodes = 2;
  readonly #to: number[] = [];
  readonly #room: number[] = [];
  readonly #grave: number[] = [];
  readonly #light: number[] = [];
  readonly #leaving: number[][] = [[], []];

  node(): number {
    this.#leaving.push([]);
    return this.#nodes++;
  }

  /** Adds an edge and returns its number, by which `on` tells its flow. */
  edge(from: number, to: number, capacity: number, cost: Cost): number {
    const id = this.#to.length;
    this.#to.push(to, from);
    this.#room.push(capacity, 0);
    this.#grave.push(cost[0], -cost[0]);
    this.#light.push(cost[1], -cost[1]);
    this.#leaving[from]!.push(id);
    this.#leaving[to]!.push(id + 1);
    return id;
  }

  /** What flows through an edge. */
  on(edge: number): number {
    return this.#room[edge + 1]!;
  }

  /** Sends as much as can be sent, at the least cost, and returns that cost. */
  run(): Cost {
    let grave = 0;
    let light = 0;
    for (let way = this.#shortest(); way; way = this.#shortest()) {
      const sent = way.edges.reduce((least, edge) => Math.min(least, this.#room[edge]!), Infinity);
      for (const edge of way.edges) {
        this.#room[edge]! -= sent;
        this.#room[edge ^ 1]! += sent;
      }
      grave += sent * way.grave;
      light += sent * way.light;
    }
    return [grave, light];
  }

  #shortest(): { edges: number[]; grave: number; light: number } | undefined {
    const grave = new Float64Array(this.#nodes).fill(Infinity);
    const light = new Float64Array(this.#nodes);
    const cameBy = new Int32Array(this.#nodes).fill(-1);
    const waits = new Uint8Array(this.#nodes);
    const queue = [this.source];
    grave[this.source] = 0;
    for (let at = 0; at < queue.length; at++) {
      const from = queue[at]!;
      waits[from] = 0;
      for (const edge of this.#leaving[from]!) {
        if (this.#room[edge]! <= epsilon) continue;
        const to = this.#to[edge]!;
        const newGrave = grave[from]! + this.#grave[edge]!;
        const newLight = light[from]! + this.#light[edge]!;
        const shorter =
          newGrave < grave[to]! - epsilon ||
          (newGrave <= grave[to]! + epsilon && newLight < light[to]! - epsilon);
        if (!shorter) continue;
        grave[to] = newGrave;
        light[to] = newLight;
        cameBy[to] = edge;
        if (!waits[to]) {
          waits[to] = 1;
          queue.push(to);
        }
      }
    }
    if (cameBy[this.sink] === -1) return undefined;
    const edges: number[] = [];
    for (let node = this.sink; node !== this.source; node = this.#to[edges.at(-1)! ^ 1]!)
      edges.push(cameBy[node]!);
    return { edges, grave: grave[this.sink]!, light: light[this.sink]! };
  }
}
