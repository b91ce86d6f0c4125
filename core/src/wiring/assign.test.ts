import fc from "fast-check";
import type { BoardProfile } from "../board/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import { duet } from "../testing/shipped.ts";
import { assign, compareCost } from "./assign.ts";
import type { SiteDevice } from "./demand.ts";
import { placeDevices } from "./place.ts";

const duties = ["stop", "photocell", "edge"] as const;

interface SmallBoard {
  inputs: { takes: (typeof duties)[number][]; contact: "closed" | "open" }[];
  rails: { kind: "dc" | "ac"; volts: number; limit: number; shared: boolean; feeds: "accessory" | "lock" }[];
  budget: number;
}

interface SmallDevice {
  contact?: { duty: (typeof duties)[number]; rest: "closed" | "open" };
  supply?: {
    kind: "dc" | "ac" | "either";
    least: number;
    most: number;
    milliamps: number;
    duty: "accessory" | "lock";
  };
}

const smallBoard: fc.Arbitrary<SmallBoard> = fc.record({
  inputs: fc.array(
    fc.record({
      takes: fc.uniqueArray(fc.constantFrom(...duties), { minLength: 1, maxLength: 3 }),
      contact: fc.constantFrom("closed", "closed", "open"),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  rails: fc.array(
    fc.record({
      kind: fc.constantFrom("dc", "ac"),
      volts: fc.constantFrom(12, 24),
      limit: fc.integer({ min: 20, max: 200 }),
      shared: fc.boolean(),
      feeds: fc.constantFrom("accessory", "accessory", "lock"),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  budget: fc.integer({ min: 20, max: 200 }),
});

const smallDevice: fc.Arbitrary<SmallDevice> = fc.record({
  contact: fc.option(
    fc.record({ duty: fc.constantFrom(...duties), rest: fc.constantFrom("closed", "closed", "open") }),
    { nil: undefined },
  ),
  supply: fc.option(
    fc.record({
      kind: fc.constantFrom("dc", "ac", "either"),
      least: fc.constantFrom(10, 20),
      most: fc.constantFrom(15, 28),
      milliamps: fc.integer({ min: 10, max: 150 }),
      duty: fc.constantFrom("accessory", "lock"),
    }),
    { nil: undefined },
  ),
});

const base = duet();

function boardOf(small: SmallBoard): BoardProfile {
  return {
    ...base,
    budgets: [{ id: "all", label: "all", limitMilliamps: small.budget }],
    inputs: small.inputs.map((input, at) => ({
      id: `i${at}`,
      label: `i${at}`,
      terminal: `P${at + 2}`,
      common: "protection",
      guards: [],
      senses: "contact",
      ignored: [],
      setBy: [],
      reactions: [],
      ...input,
    })),
    rails: small.rails.map((rail, at) => ({
      id: `r${at}`,
      label: `r${at}`,
      feeds: [rail.feeds],
      kind: rail.kind,
      volts: rail.volts,
      live: "always",
      plus: ["R1"],
      minus: ["R2"],
      ...(rail.shared ? { budget: "all" } : { limitMilliamps: rail.limit }),
    })),
  };
}

function deviceOf(small: SmallDevice, at: number): SiteDevice {
  const profile: DeviceProfile = {
    format: "anvilcloud/device@1",
    id: `d${at}`,
    name: `d${at}`,
    maker: "none",
    revision: 1,
    kind: "photocell",
    source: { from: "assumed" },
    parts: [{ id: "p", label: "p", strands: "flexible" }],
    pins: [],
    provides: [],
    contacts: small.contact ? [{ id: "c", ...small.contact, pins: ["a", "b"], tripped: "tripped" }] : [],
    supplies: small.supply
      ? [
          {
            id: "s",
            duty: small.supply.duty,
            kind: small.supply.kind,
            volts: { min: small.supply.least, max: small.supply.most },
            milliamps: { rest: 0, working: small.supply.milliamps },
            pins: { plus: "p", minus: "m" },
          },
        ]
      : [],
  };
  return { id: `d${at}`, name: `d${at}`, profile };
}

/** The least cost by trying every way to place every contact and supply, none left out; rules written again, plainly. */
function bruteForce(board: SmallBoard, devices: SmallDevice[]): number[] {
  type Want =
    { contact: NonNullable<SmallDevice["contact"]> } | { supply: NonNullable<SmallDevice["supply"]> };
  const wants: Want[] = devices.flatMap((device) => [
    ...(device.supply ? [{ supply: device.supply }] : []),
    ...(device.contact ? [{ contact: device.contact }] : []),
  ]);
  let best: number[] | undefined;
  const places: number[] = [];
  const visit = (at: number) => {
    if (at === wants.length) {
      const cost = [0, 0, 0, 0];
      const onInput = board.inputs.map(() => 0);
      const onRail = board.rails.map(() => 0);
      wants.forEach((want, index) => {
        const place = places[index]!;
        if (place < 0) cost[0]! += 1;
        else if ("contact" in want) {
          onInput[place]! += 1;
          cost[3]! += board.inputs[place]!.takes.indexOf(want.contact.duty);
        } else onRail[place]! += want.supply.milliamps;
      });
      for (const users of onInput) cost[2]! += Math.max(0, users - 1);
      board.rails.forEach((rail, r) => {
        if (!rail.shared) cost[1]! += Math.max(0, onRail[r]! - rail.limit);
      });
      const shared = board.rails.reduce((sum, rail, r) => sum + (rail.shared ? onRail[r]! : 0), 0);
      cost[1]! += Math.max(0, shared - board.budget);
      if (!best || compareCost(cost, best) < 0) best = cost;
      return;
    }
    const want = wants[at]!;
    places[at] = -1;
    visit(at + 1);
    const count = "contact" in want ? board.inputs.length : board.rails.length;
    for (let place = 0; place < count; place++) {
      const fits =
        "contact" in want
          ? board.inputs[place]!.takes.includes(want.contact.duty) &&
            board.inputs[place]!.contact === want.contact.rest
          : board.rails[place]!.feeds === want.supply.duty &&
            (want.supply.kind === "either" || want.supply.kind === board.rails[place]!.kind) &&
            board.rails[place]!.volts >= want.supply.least &&
            board.rails[place]!.volts <= want.supply.most;
      if (!fits) continue;
      places[at] = place;
      visit(at + 1);
    }
  };
  visit(0);
  return best ?? [0, 0, 0, 0];
}

describe("placing devices", () => {
  test("finds the cost that trying every way finds, on 600 random small boards and device sets", () => {
    fc.assert(
      fc.property(smallBoard, fc.array(smallDevice, { minLength: 1, maxLength: 4 }), (board, devices) => {
        const placed = placeDevices(boardOf(board), devices.map(deviceOf));
        const cost = [0, 1, 2, 3].map((rank) => placed.cost[rank] ?? 0);
        expect(cost).toEqual(bruteForce(board, devices));
      }),
      { seed: 20261124, numRuns: 600 },
    );
  });

  test("the cost it tells is the cost of the placement it gives", () => {
    fc.assert(
      fc.property(smallBoard, fc.array(smallDevice, { minLength: 1, maxLength: 5 }), (board, devices) => {
        const { placements, cost } = placeDevices(boardOf(board), devices.map(deviceOf));
        expect(placements.filter(({ place }) => !place)).toHaveLength(cost[0] ?? 0);
        for (const { demand, place } of placements)
          if (demand.kind === "contact" && place?.kind === "input") {
            expect(place.input.contact).toBe(demand.contact.rest);
            expect(place.input.takes).toContain(demand.contact.duty);
          }
      }),
      { seed: 7, numRuns: 200 },
    );
  });
});

describe("the search itself", () => {
  test("a limit is never passed: of two items one stays unplaced", () => {
    const option = { choice: "x", cost: [0, 0], uses: [{ resource: "r", amount: 1 }] };
    const item = { options: [option], unplaced: [1, 0] };
    const result = assign([item, item], { r: { limit: 1 } });
    expect(result.cost).toEqual([1, 0]);
    expect(result.choices.filter((choice) => choice === "x")).toHaveLength(1);
  });

  test("a graver rank outweighs any amount of a lesser one", () => {
    expect(compareCost([0, 1_000_000], [1, 0])).toBeLessThan(0);
    expect(compareCost([1], [1, 0, 0])).toBe(0);
  });

  test("sixty alike items on two shared places are settled without trying every order", () => {
    const options = ["a", "b"].map((choice) => ({
      choice,
      cost: [0, 0],
      uses: [{ resource: choice, amount: 1 }],
    }));
    const items = Array.from({ length: 60 }, () => ({ options, unplaced: [1, 0] }));
    const price = (used: number) => [0, (used * (used - 1)) / 2];
    const result = assign(items, { a: { price }, b: { price } });
    expect(result.cost).toEqual([0, 2 * ((30 * 29) / 2)]);
  });
});
