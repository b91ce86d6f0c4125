import { boardOnSite } from "../job/index.ts";
import { boardIds, bundleOn, demoBundle, planOn, shippedDevices, usualDevices } from "../testing/shipped.ts";
import { asPlanned, planWiring } from "../wiring/index.ts";
import { everyFault, withFault } from "../testing/circuit-faults.ts";
import { readLoops } from "../testing/closed-loops.ts";
import { measureCircuit, type Installation } from "./index.ts";
import { node, rail, supply } from "../testing/keys.ts";
import type { PartKey } from "../node/index.ts";

function netloft(change: Parameters<typeof demoBundle>[1] = () => {}): Installation {
  const bundle = demoBundle("netloft", change);
  return asPlanned(bundle.board, planWiring(bundle));
}

describe("what a meter reads", () => {
  test("a closed input near nothing, an open one the input's own 24 V", () => {
    const { inputs, unsolved } = measureCircuit(netloft());
    expect(unsolved).toEqual([]);
    expect(inputs.stop!.volts).toBeLessThan(0.1);
    expect(inputs.stop!.closed).toBe(true);
    expect(inputs.step!.volts).toBeCloseTo(24, 1);
    expect(inputs.step!.closed).toBe(false);
  });

  test("every device gets a little less than its rail gives, and enough", () => {
    const { supplies, rails } = measureCircuit(netloft());
    for (const [id, supply] of Object.entries(supplies).filter(([each]) => !each.startsWith("drive")))
      if (!id.startsWith("beacon"))
        expect([id, supply.state]).toEqual([id, expect.stringMatching(/supplied|absent/)]);
    const receiver = supplies[supply("cell-street/receiver")]!;
    expect(receiver.volts).toBeLessThan(rails[rail("accessories")]!.volts);
    expect(receiver.volts).toBeGreaterThan(23);
    // Sender 28 mA, receiver 22 mA and keypad 35 mA at rest, on one rail.
    expect(rails[rail("accessories")]!.milliamps).toBeCloseTo(28 + 22 + 35, 2);
  });

  test("trap 40: at the far end of a long thin pair a device has too little, hotter still less", () => {
    const far = netloft((job) => {
      const cell = job.devices.find((device) => device.id === "cell-street")!;
      for (const cable of Object.values(cell.cables)) Object.assign(cable, { lengthM: 450, sizeMm2: 0.5 });
      const lock = job.devices.find((device) => device.id === "lock")!;
      for (const cable of Object.values(lock.cables)) Object.assign(cable, { lengthM: 300, sizeMm2: 0.5 });
    });
    const cold = measureCircuit(far).supplies[supply("lock/coil")]!;
    const hot = measureCircuit(far, { situation: "awake", celsius: 70 }).supplies[supply("lock/coil")]!;
    expect(cold.state).toBe("low");
    expect(hot.volts).toBeLessThan(cold.volts);
    // A photocell's relay lets go when its supply is too low: the input it guards reads open.
    expect(measureCircuit(netloft()).inputs.beam!.closed).toBe(true);
  });

  test("swapped poles read as reversed, and the device draws nothing", () => {
    const at = netloft();
    const swapped = at.wires.map((wire) =>
      wire.id === "cell-street.r-plus>R3"
        ? { ...wire, to: node("R4") }
        : wire.id === "cell-street.r-minus>R4"
          ? { ...wire, to: node("R3") }
          : wire,
    );
    const wires = swapped.some((wire, n) => wire !== at.wires[n]) ? swapped : at.wires;
    expect(wires).not.toBe(at.wires);
    const read = measureCircuit({ ...at, wires });
    expect(read.supplies[supply("cell-street/receiver")]).toMatchObject({ state: "reversed" });
    expect(read.rails[rail("accessories")]!.milliamps).toBeCloseTo(28 + 35, 3);
    expect(read.inputs.beam!.closed).toBe(false);
  });

  test("without power there is nothing to read", () => {
    const { inputs, supplies, rails } = measureCircuit({ ...netloft(), powered: false });
    expect(Object.values(inputs).every((input) => !input.closed)).toBe(true);
    expect(Object.values(supplies).every((supply) => supply.state === "absent")).toBe(true);
    expect(rails).toEqual({});
  });
});

describe.each(boardIds())("on %s", (id) => {
  const plan = planOn(id, usualDevices(id));
  const at = asPlanned(plan.bundle.board, plan.wiring);
  const plain = at.board.inputs.filter((input) => input.ohms === undefined).map((input) => input.id);

  test("the network and the closed loops tell the same, sound and with every single fault", () => {
    for (const one of [at, ...everyFault(at).map((fault) => withFault(at, fault))]) {
      const measured = measureCircuit(one);
      const read = readLoops(one);
      expect(measured.unsolved).toEqual([]);
      for (const input of plain)
        expect([input, measured.inputs[input]?.closed]).toEqual([input, read.inputs[input]]);
      for (const [key, state] of Object.entries(read.supplies) as [PartKey, string][])
        expect([key, measured.supplies[key]?.state === "supplied"]).toEqual([key, state === "supplied"]);
    }
  });
});

test("a photocell's contact opens without its sender as without its receiver, on every board that takes it", () => {
  const fed = boardIds().flatMap((id) =>
    shippedDevices()
      .filter(({ contacts }) =>
        contacts.some(({ supply, test }) => supply !== undefined && test !== undefined),
      )
      .flatMap((device) => {
        const { wiring, bundle } = planOn(id, [device.id]);
        const at = asPlanned(bundle.board, wiring);
        return wiring.placements.flatMap(({ demand, place }) => {
          if (demand.kind !== "contact" || place?.kind !== "input") return [];
          const { contact } = demand;
          const closed = (wires: typeof at.wires) =>
            measureCircuit({ ...at, wires }).inputs[place.input.id]!.closed;
          expect([id, device.id, closed(at.wires)]).toEqual([id, device.id, contact.rest === "closed"]);
          return [contact.supply, contact.test].flatMap((supplyId) => {
            const supply = device.supplies.find((each) => each.id === supplyId);
            if (!supply) return [];
            const without = wiring.cores.filter((core) => core.pin !== supply.pins.plus);
            expect([id, device.id, supply.id, closed(without)]).toEqual([id, device.id, supply.id, false]);
            return [supply.id];
          });
        });
      }),
  );
  expect(fed.length).toBeGreaterThan(10);
});

describe("a budget that rails share", () => {
  const boards = boardIds().filter((id) => bundleOn(id, []).board.budgets.length > 0);
  const moment = { situation: "opening", celsius: 20 } as const;

  /** What the rails of a board's first budget give together, mA, with more on them than it has. */
  const given = (id: string, over: "limits" | "fuses" | "overloads") => {
    const many = Array.from({ length: 16 }, (_, n) => (n % 2 ? "oddlume-vigil" : "oddlume-glance"));
    const bundle = bundleOn(id, [
      ...many,
      "oddlume-winkard",
      "brackwater-turn",
      "brackwater-clasp",
      "brackwater-clasp",
    ]);
    bundle.board.budgets[0]!.over = over;
    const board = boardOnSite(bundle.job, bundle.board);
    const wiring = planWiring({ ...bundle, board });
    const budget = board.budgets[0]!;
    const { rails } = measureCircuit(asPlanned(board, wiring), moment);
    const own = board.rails.filter((each) => each.budget === budget.id);
    const sum = own.reduce((total, each) => total + (rails[rail(each.id)]?.milliamps ?? 0), 0);
    const asked = wiring.rails.find(({ limit }) => limit.kind === "budget" && limit.budget === budget.id)!;
    return { sum, limit: budget.limitMilliamps, asked: asked.milliamps.opening, rails: own.length };
  };

  test("limits the sum of what they give, and a fuse leaves nothing", () => {
    let passed = 0;
    for (const id of boards) {
      const { sum, limit, asked, rails } = given(id, "limits");
      expect([id, sum <= limit * 1.001]).toEqual([id, true]);
      if (asked <= limit || rails < 2) continue;
      passed += 1;
      expect([id, sum]).toEqual([id, expect.closeTo(limit, 0)]);
      expect([id, given(id, "overloads").sum]).toEqual([id, expect.closeTo(limit, 0)]);
      expect([id, Math.round(given(id, "fuses").sum)]).toEqual([id, 0]);
    }
    expect(passed).toBeGreaterThan(0);
  });
});
