import fc from "fast-check";
import { components } from "./components.ts";
import { compareCost, free, type Cost } from "./cost.ts";
import { Flow } from "./flow.ts";

/** Workers and what each costs at each place; the least total by trying every order. */
function leastByOrders(costs: number[][]): number {
  const visit = (worker: number, taken: Set<number>): number => {
    if (worker === costs.length) return 0;
    let best = Infinity;
    costs[worker]!.forEach((cost, place) => {
      if (taken.has(place)) return;
      best = Math.min(best, cost + visit(worker + 1, new Set([...taken, place])));
    });
    return best;
  };
  return visit(0, new Set());
}

describe("a flow of least cost", () => {
  test("assigns workers to places at the least total that any order gives", () => {
    const square = fc.integer({ min: 1, max: 5 }).chain((n) =>
      fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: n, maxLength: n }), {
        minLength: n,
        maxLength: n,
      }),
    );
    fc.assert(
      fc.property(square, (costs) => {
        const flow = new Flow();
        const places = costs.map(() => flow.node());
        for (const place of places) flow.edge(place, flow.sink, 1, free);
        for (const row of costs) {
          const worker = flow.node();
          flow.edge(flow.source, worker, 1, free);
          row.forEach((cost, at) => flow.edge(worker, places[at]!, 1, [0, cost]));
        }
        expect(flow.run()).toEqual([0, leastByOrders(costs)]);
      }),
      { seed: 3, numRuns: 200 },
    );
  });

  test("takes a longer way of lesser grave cost, and splits what one way cannot carry", () => {
    const flow = new Flow();
    const [over, under] = [flow.node(), flow.node()];
    flow.edge(flow.source, over, 10, free);
    const cheap = flow.edge(over, flow.sink, 6, [0, 5]);
    flow.edge(over, under, 10, [0, 1]);
    const dear = flow.edge(under, flow.sink, 10, [1, 0]);
    // By hand: six go the cheap way at 5 each, four over the limit at one grave and one light each.
    expect(flow.run()).toEqual([4, 34]);
    expect([flow.on(cheap), flow.on(dear)]).toEqual([6, 4]);
  });

  test("undoes an early choice that a later one needs", () => {
    // The first worker's cheapest place is the only one the second can take.
    const flow = new Flow();
    const [near, far] = [flow.node(), flow.node()];
    for (const place of [near, far]) flow.edge(place, flow.sink, 1, free);
    const [first, second] = [flow.node(), flow.node()];
    for (const worker of [first, second]) flow.edge(flow.source, worker, 1, free);
    flow.edge(first, near, 1, [0, 1]);
    const moved = flow.edge(first, far, 1, [0, 3]);
    flow.edge(second, near, 1, [0, 1]);
    expect(flow.run()).toEqual([0, 4]);
    expect(flow.on(moved)).toBe(1);
  });
});

describe("costs in two words", () => {
  test("compare like words in a dictionary, and a rounding error is no difference", () => {
    const costs: Cost[] = [
      [1, 0],
      [0, 9],
      [0, 2],
      [1, -5],
    ];
    expect([...costs].sort(compareCost)).toEqual([
      [0, 2],
      [0, 9],
      [1, -5],
      [1, 0],
    ]);
    expect(compareCost([0.1 + 0.2, 0], [0.3, 0])).toBe(0);
  });
});

describe("what is settled apart", () => {
  test("items that share a slot or a limit by any chain stay together, the others do not", () => {
    const item = (slot?: string, ...limits: string[]) => ({
      options: [{ choice: "x", cost: free, ...(slot ? { slot } : {}), limits }],
      unplaced: [1, 0] as const,
    });
    const groups = components([
      item("a"),
      item("b", "rail"),
      item(undefined, "rail", "budget"),
      item(undefined, "budget"),
      item("c"),
    ]);
    expect(groups.map((group) => group.join()).sort()).toEqual(["0", "1,2,3", "4"]);
  });
});
