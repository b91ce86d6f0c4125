import type { Cost } from "./cost.ts";

/** Capacity and cost under which an edge counts as full, and a way as no shorter. */
const epsilon = 1e-9;

/** What the sums along two equally short ways may differ by from rounding. */
const rounding = 1e-8;

/**
 * A flow of least cost from node 0 to node 1, by primal and dual steps: shortest distances with Bellman and Ford's
 * queue, then as much as goes by ways of that distance, of equally short ones by those of fewest edges, so that what
 * flowed stays where it can. Costs are pairs and compare as in a dictionary; those of
 * parallel edges may grow, which makes the price of a use convex. Capacities may be set anew and the flow run again.
 */
export class Flow {
  readonly source = 0;
  readonly sink = 1;
  readonly #to: number[] = [];
  readonly #capacity: number[] = [];
  readonly #grave: number[] = [];
  readonly #light: number[] = [];
  readonly #leaving: number[][] = [[], []];
  #room = new Float64Array(0);
  #distance = { grave: new Float64Array(0), light: new Float64Array(0), edges: new Int32Array(0) };
  #waits = new Uint8Array(0);
  #next = new Int32Array(0);

  node(): number {
    return this.#leaving.push([]) - 1;
  }

  /** Adds an edge and returns its number, by which `on` tells its flow and `setCapacity` what it carries. */
  edge(from: number, to: number, capacity: number, cost: Cost): number {
    const id = this.#to.length;
    this.#to.push(to, from);
    this.#capacity.push(capacity, 0);
    this.#grave.push(cost[0], -cost[0]);
    this.#light.push(cost[1], -cost[1]);
    this.#leaving[from]!.push(id);
    this.#leaving[to]!.push(id + 1);
    return id;
  }

  setCapacity(edge: number, capacity: number): void {
    this.#capacity[edge] = capacity;
  }

  /** What flowed through an edge in the last run. */
  on(edge: number): number {
    return this.#room[edge + 1]!;
  }

  /** Sends as much as can be sent, at the least cost, and returns that cost. */
  run(): Cost {
    this.#begin();
    let grave = 0;
    let light = 0;
    while (this.#measure()) {
      let sent = 0;
      for (;;) {
        const more = this.#send(this.source, Infinity);
        if (more <= epsilon) break;
        sent += more;
      }
      if (sent <= epsilon) break;
      grave += sent * this.#distance.grave[this.sink]!;
      light += sent * this.#distance.light[this.sink]!;
    }
    return [grave, light];
  }

  #begin(): void {
    const nodes = this.#leaving.length;
    const edges = this.#to.length;
    if (this.#room.length !== edges) this.#room = new Float64Array(edges);
    for (let edge = 0; edge < edges; edge++) this.#room[edge] = this.#capacity[edge]!;
    if (this.#waits.length === nodes) return;
    this.#distance = {
      grave: new Float64Array(nodes),
      light: new Float64Array(nodes),
      edges: new Int32Array(nodes),
    };
    this.#waits = new Uint8Array(nodes);
    this.#next = new Int32Array(nodes);
  }

  /** Finds every node's distance from the source; false where the sink is not reached. */
  #measure(): boolean {
    const { grave, light, edges } = this.#distance;
    const waits = this.#waits;
    grave.fill(Infinity);
    light.fill(0);
    edges.fill(0);
    grave[this.source] = 0;
    const queue = [this.source];
    for (let at = 0; at < queue.length; at++) {
      const from = queue[at]!;
      waits[from] = 0;
      for (const edge of this.#leaving[from]!) {
        if (this.#room[edge]! <= epsilon) continue;
        const to = this.#to[edge]!;
        const newGrave = grave[from]! + this.#grave[edge]!;
        const newLight = light[from]! + this.#light[edge]!;
        const newEdges = edges[from]! + 1;
        const shorter =
          newGrave < grave[to]! - epsilon ||
          (newGrave <= grave[to]! + epsilon &&
            (newLight < light[to]! - epsilon || (newLight <= light[to]! + epsilon && newEdges < edges[to]!)));
        if (!shorter) continue;
        grave[to] = newGrave;
        light[to] = newLight;
        edges[to] = newEdges;
        if (waits[to]) continue;
        waits[to] = 1;
        queue.push(to);
      }
    }
    this.#next.fill(0);
    return grave[this.sink]! < Infinity;
  }

  /** Sends up to so much from a node to the sink by edges of shortest ways alone; an edge that led nowhere is not tried again. */
  #send(from: number, most: number): number {
    if (from === this.sink) return most;
    const { grave, light, edges } = this.#distance;
    const leaving = this.#leaving[from]!;
    let sent = 0;
    for (; this.#next[from]! < leaving.length; this.#next[from]!++) {
      const edge = leaving[this.#next[from]!]!;
      const to = this.#to[edge]!;
      const room = this.#room[edge]!;
      const isShortest =
        room > epsilon &&
        edges[to] === edges[from]! + 1 &&
        Math.abs(grave[from]! + this.#grave[edge]! - grave[to]!) <= rounding &&
        Math.abs(light[from]! + this.#light[edge]! - light[to]!) <= rounding;
      if (!isShortest) continue;
      const more = this.#send(to, Math.min(room, most - sent));
      this.#room[edge]! -= more;
      this.#room[edge ^ 1]! += more;
      sent += more;
      if (most - sent <= epsilon) break;
    }
    return sent;
  }
}
