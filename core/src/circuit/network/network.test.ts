import { cases } from "../../testing/sample.ts";
import fc from "fast-check";
import { Matrix, solve } from "ml-matrix";
import { conductorOhms } from "../../quantity/index.ts";
import { solveNetwork, type Branch, type Solution } from "./index.ts";

const source = (volts: number, more: Partial<Extract<Branch, { kind: "source" }>> = {}): Branch => ({
  kind: "source",
  id: "source",
  plus: "+",
  minus: "−",
  volts,
  ohms: 1e-6,
  ...more,
});
const resistor = (id: string, a: string, b: string, ohms: number): Branch => ({
  kind: "resistor",
  id,
  a,
  b,
  ohms,
});

function solved(branches: readonly Branch[]): Solution {
  const result = solveNetwork(branches);
  if ("reason" in result) throw new Error(`${result.reason}: ${result.branches.join()}`);
  return result;
}

/** The largest sum of currents into any point, joined points as one: Kirchhoff's current law. */
function worstSum(branches: readonly Branch[], { amps }: Solution): number {
  const root = new Map<string, string>();
  const find = (point: string): string => {
    const up = root.get(point);
    return up === undefined || up === point ? point : find(up);
  };
  for (const branch of branches) if (branch.kind === "join") root.set(find(branch.a), find(branch.b));
  const sums = new Map<string, number>();
  const add = (point: string, value: number) => sums.set(find(point), (sums.get(find(point)) ?? 0) + value);
  for (const branch of branches) {
    if (branch.kind === "join") continue;
    const through = amps.get(branch.id)!;
    const [a, b] =
      branch.kind === "resistor"
        ? [branch.a, branch.b]
        : branch.kind === "diode"
          ? [branch.anode, branch.cathode]
          : [branch.plus, branch.minus];
    add(a, branch.kind === "source" ? through : -through);
    add(b, branch.kind === "source" ? -through : through);
  }
  return Math.max(0, ...[...sums.values()].map(Math.abs));
}

describe("circuits worked by hand", () => {
  test("a voltage divider: 24 V over 1 kΩ and 3 kΩ leaves 18 V", () => {
    const branches = [source(24), resistor("r1", "+", "x", 1_000), resistor("r2", "x", "−", 3_000)];
    expect(solved(branches).volts.get("x")).toBeCloseTo(18, 4);
    expect(solved(branches).amps.get("r1")).toBeCloseTo(0.006, 7);
  });

  test("24 V, 0.5 A over 40 m of 0.75 mm² fine wire: 22.96 V arrive, 1.04 V are lost (IEC 60228, from memory)", () => {
    const ohms = conductorOhms(0.75, 40, 20, 5);
    const branches: Branch[] = [
      source(24),
      resistor("out", "+", "a", ohms),
      resistor("back", "b", "−", ohms),
      { kind: "load", id: "load", plus: "a", minus: "b", amps: 0.5, leastVolts: 12 },
    ];
    const { volts } = solved(branches);
    expect(volts.get("a")! - volts.get("b")!).toBeCloseTo(24 - 1.04, 3);
    // At 70 °C copper has 1 + 0.00393 · 50 times the resistance (IEC 60028, from memory).
    const hot = conductorOhms(0.75, 40, 70, 5);
    expect(hot / ohms).toBeCloseTo(1.1965, 4);
  });

  test("a diode takes its drop, and the other way round lets nothing through", () => {
    const branches = (anode: string, cathode: string): Branch[] => [
      source(24),
      { kind: "diode", id: "d", anode, cathode, dropVolts: 0.7 },
      resistor("r", "x", "−", 1_000),
    ];
    expect(solved(branches("+", "x")).volts.get("x")).toBeCloseTo(23.3, 3);
    expect(solved(branches("x", "+")).volts.get("x")).toBeCloseTo(0, 3);
  });

  test("a source at its limit holds its current: 1 A into 2 Ω are 2 V", () => {
    const branches = [source(24, { limitAmps: 1 }), resistor("r", "+", "−", 2)];
    const result = solved(branches);
    expect(result.volts.get("+")).toBeCloseTo(2, 6);
    expect(result.states.get("source")).toBe("limited");
  });

  test("a load with too little voltage starves: 1 A wanted from 18 V on, 0.5 A given, 9 V left", () => {
    const branches: Branch[] = [
      source(24, { limitAmps: 0.5 }),
      { kind: "load", id: "load", plus: "+", minus: "−", amps: 1, leastVolts: 18 },
    ];
    const result = solved(branches);
    expect(result.volts.get("+")).toBeCloseTo(9, 4);
    expect(result.states.get("load")).toBe("starved");
  });

  test("a load with its poles swapped draws nothing", () => {
    const branches: Branch[] = [
      source(24),
      { kind: "load", id: "load", plus: "−", minus: "+", amps: 1, leastVolts: 18 },
    ];
    expect(solved(branches).amps.get("load")).toBeCloseTo(0, 6);
    expect(solved(branches).states.get("load")).toBe("blocking");
  });

  test("what hangs on no source is dead and has no voltage; joined points are one", () => {
    const branches = [
      source(24),
      resistor("r", "p", "q", 10),
      { kind: "join", id: "j", a: "+", b: "k" } as const,
    ];
    const result = solved(branches);
    expect(result.volts.get("k")).toBe(result.volts.get("+"));
    expect(result.dead.has(result.island.get("p")!)).toBe(true);
    expect(result.dead.has(result.island.get("+")!)).toBe(false);
    expect(result.island.get("p")).not.toBe(result.island.get("+"));
  });

  test("nothing at all is solved too, and never gives a number that is none", () => {
    expect(solved([]).volts.size).toBe(0);
    const shorted = solved([source(24, { ohms: 0.1 }), { kind: "join", id: "j", a: "+", b: "−" }]);
    expect([...shorted.volts.values()].every(Number.isFinite)).toBe(true);
    expect(shorted.amps.get("source")).toBeCloseTo(240, 6);
  });
});

const anyNetwork = fc
  .record({
    points: fc.integer({ min: 2, max: 14 }),
    links: fc.array(fc.tuple(fc.nat(), fc.nat(), fc.double({ min: 0.05, max: 5_000, noNaN: true })), {
      minLength: 1,
      maxLength: 40,
    }),
    volts: fc.double({ min: 1, max: 30, noNaN: true }),
  })
  .map(({ points, links, volts }) => {
    const name = (n: number) => (n === 0 ? "−" : n === 1 ? "+" : `p${n}`);
    // Every point hangs on the one before, so that the network is one piece.
    const chain = Array.from({ length: points - 1 }, (_, n) =>
      resistor(`c${n}`, name(n), name(n + 1), 10 + n * 7),
    );
    const others = links.flatMap(([a, b, ohms], n) =>
      a % points === b % points ? [] : [resistor(`r${n}`, name(a % points), name(b % points), ohms)],
    );
    return { branches: [source(volts, { ohms: 0.5 }), ...chain, ...others], points, name };
  });

describe("random networks", () => {
  test("agree with a general dense solver on the same conductances", () => {
    fc.assert(
      fc.property(anyNetwork, ({ branches, points, name }) => {
        const n = points - 1;
        const matrix = Matrix.zeros(n, n);
        const right = Matrix.zeros(n, 1);
        const index = new Map(Array.from({ length: n }, (_, at) => [name(at + 1), at]));
        for (const branch of branches) {
          if (branch.kind !== "resistor" && branch.kind !== "source") continue;
          const [p, m] = branch.kind === "source" ? [branch.plus, branch.minus] : [branch.a, branch.b];
          const [a, b] = [index.get(p), index.get(m)];
          const g = 1 / branch.ohms;
          if (a !== undefined) matrix.set(a, a, matrix.get(a, a) + g);
          if (b !== undefined) matrix.set(b, b, matrix.get(b, b) + g);
          if (a !== undefined && b !== undefined) {
            matrix.set(a, b, matrix.get(a, b) - g);
            matrix.set(b, a, matrix.get(b, a) - g);
          }
          if (branch.kind === "source" && a !== undefined)
            right.set(a, 0, right.get(a, 0) + branch.volts * g);
        }
        const truth = solve(matrix, right).to1DArray();
        const { volts } = solved(branches);
        for (const [point, at] of index) expect(volts.get(point)).toBeCloseTo(truth[at]!, 7);
      }),
      { seed: 21, numRuns: cases(100) },
    );
  });

  test("obey Kirchhoff's laws, with loads, diodes and a limit in them", () => {
    const more = fc.array(
      fc.tuple(
        fc.constantFrom("load", "diode"),
        fc.nat(),
        fc.nat(),
        fc.double({ min: 0.01, max: 0.4, noNaN: true }),
      ),
      { maxLength: 6 },
    );
    let settled = 0;
    fc.assert(
      fc.property(anyNetwork, more, fc.boolean(), ({ branches, points, name }, others, limited) => {
        const extra = others.flatMap(([kind, a, b, amount], n): Branch[] => {
          const [p, m] = [name(a % points), name(b % points)];
          if (p === m) return [];
          return kind === "load"
            ? [{ kind: "load", id: `x${n}`, plus: p, minus: m, amps: amount, leastVolts: 3 }]
            : [{ kind: "diode", id: `x${n}`, anode: p, cathode: m, dropVolts: 0.6 }];
        });
        const whole = [...branches, ...extra].map((branch) =>
          branch.kind === "source" && limited ? { ...branch, limitAmps: 0.3 } : branch,
        );
        const result = solveNetwork(whole);
        if ("reason" in result) return;
        settled += 1;
        expect(worstSum(whole, result)).toBeLessThan(1e-6);
        for (const value of result.volts.values()) expect(Number.isFinite(value)).toBe(true);
      }),
      { seed: 22, numRuns: cases(100) },
    );
    expect(settled).toBeGreaterThan(cases(95));
  });
});
