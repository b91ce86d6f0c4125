import fc from "fast-check";
import type { BoardProfile } from "../../board/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { tandrel } from "../../testing/shipped.ts";
import { comparable, solveAsProgram } from "../../testing/integer-program.ts";
import { everyWay } from "../../testing/every-way.ts";
import { largeBoards, manyDevices } from "../../testing/many.ts";
import { assign, compareCost } from "../assign/index.ts";
import type { SiteDevice } from "./demand.ts";
import { placeDevices } from "./place.ts";
import { costOfPlan, weight } from "./preference.ts";
import { problemOf } from "./problem.ts";

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

const base = tandrel();

function boardOf(small: SmallBoard): BoardProfile {
  return {
    ...base,
    budgets: [{ id: "all", label: "all", limitMilliamps: small.budget, over: "limits" }],
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
      testedBefore: "each",
      clears: [],
      does: [],
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
    lamps: [],
    jumpers: [],
    keyed: false,
    doubleInsulated: false,
    wiring: [],
    listens: [],
    contacts: small.contact ? [{ id: "c", ...small.contact, pins: ["a", "b"], tripped: "tripped" }] : [],
    supplies: small.supply
      ? [
          {
            id: "s",
            duty: small.supply.duty,
            kind: small.supply.kind,
            volts: { min: small.supply.least, max: small.supply.most },
            lives: "any",
            ownSpur: false,
            suppression: "none",
            milliamps: { rest: 0, working: small.supply.milliamps },
            pins: { plus: "p", minus: "m" },
          },
        ]
      : [],
  };
  return { id: `d${at}`, name: `d${at}`, profile };
}

/** True when the first cost is worse than the second, rank by rank. */
function worse(a: readonly number[], b: readonly number[]): boolean {
  const rank = a.findIndex((each, at) => each !== b[at]);
  return rank >= 0 && a[rank]! > b[rank]!;
}

/** The least cost by trying every way to place every contact and supply, none left out; rules written again, plainly. */
function bruteForce(board: SmallBoard, devices: SmallDevice[]): number[] {
  type Want =
    | { contact: NonNullable<SmallDevice["contact"]> }
    | { supply: NonNullable<SmallDevice["supply"]> };
  const wants: Want[] = devices.flatMap((device) => [
    ...(device.supply ? [{ supply: device.supply }] : []),
    ...(device.contact ? [{ contact: device.contact }] : []),
  ]);
  let best: number[] | undefined;
  const places: number[] = [];
  const visit = (at: number) => {
    if (at === wants.length) {
      const cost = [0, 0, 0];
      const onInput = board.inputs.map(() => 0);
      const onRail = board.rails.map(() => 0);
      wants.forEach((want, index) => {
        const place = places[index]!;
        if (place < 0) cost[0]! += 1;
        else if ("contact" in want) onInput[place]! += 1;
        else onRail[place]! += want.supply.milliamps;
      });
      for (const users of onInput) cost[2]! += Math.max(0, users - 1);
      board.rails.forEach((rail, r) => {
        if (!rail.shared) cost[1]! += Math.max(0, onRail[r]! - rail.limit);
      });
      const shared = board.rails.reduce((sum, rail, r) => sum + (rail.shared ? onRail[r]! : 0), 0);
      cost[1]! += Math.max(0, shared - board.budget);
      if (!best || worse(best, cost)) best = cost;
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
  return best ?? [0, 0, 0];
}

describe("placing devices", () => {
  test("leaves as little out, over a limit and chained as trying every way does, by rules written again, on 600 small boards", () => {
    fc.assert(
      fc.property(smallBoard, fc.array(smallDevice, { minLength: 1, maxLength: 4 }), (board, devices) => {
        const { unplaced, overMilliamps, chained } = placeDevices(boardOf(board), devices.map(deviceOf)).cost;
        expect([unplaced, overMilliamps, chained]).toEqual(bruteForce(board, devices));
      }),
      { seed: 20261124, numRuns: 600 },
    );
  });

  test("every preference counted, the cost is the least of all ways, on 300 small boards", () => {
    fc.assert(
      fc.property(smallBoard, fc.array(smallDevice, { minLength: 1, maxLength: 4 }), (board, devices) => {
        const { groups, shared } = problemOf(boardOf(board), devices.map(deviceOf));
        const items = groups.map(({ item }) => item);
        const { cost, proved } = assign(items, shared);
        expect(proved).toBe(true);
        expect(compareCost(cost, everyWay(items, shared))).toBe(0);
      }),
      { seed: 99, numRuns: 300 },
    );
  });

  test("the cost it tells is the cost of the placement it gives", () => {
    fc.assert(
      fc.property(smallBoard, fc.array(smallDevice, { minLength: 1, maxLength: 5 }), (board, devices) => {
        const { placements, cost } = placeDevices(boardOf(board), devices.map(deviceOf));
        expect(placements.filter(({ place }) => !place)).toHaveLength(cost.unplaced);
        for (const { demand, place, why } of placements) {
          expect(why).toMatch(/\.$/);
          if (demand.kind !== "contact" || place?.kind !== "input") continue;
          expect(place.input.contact).toBe(demand.contact.rest);
          expect(place.input.takes).toContain(demand.contact.duty);
        }
      }),
      { seed: 7, numRuns: 200 },
    );
  });
});

test("the ranks of a cost are read out of it as they went in", () => {
  fc.assert(
    fc.property(
      fc.record({
        unplaced: fc.nat(60),
        misled: fc.nat(90),
        overMilliamps: fc.nat(1e6),
        chained: fc.nat(60),
        untested: fc.nat(90),
        distance: fc.nat(1e5),
      }),
      (ranks) => {
        const grave = ranks.unplaced * weight.unplaced + ranks.misled * weight.misled + ranks.overMilliamps;
        const light = ranks.chained * weight.chained + ranks.untested * weight.untested + ranks.distance;
        expect(costOfPlan([grave, light])).toEqual(ranks);
      },
    ),
    { seed: 12, numRuns: 100 },
  );
});

describe("against a general integer-programming package", () => {
  test.each([20, 40, 60])("%i devices on boards of three manners cost the same", async (count) => {
    for (const [at, board] of largeBoards().entries()) {
      const { groups, shared } = problemOf(board, manyDevices(board, count, 100 * count + at + 1));
      const items = groups.map(({ item }) => item);
      const { cost, proved } = assign(items, shared);
      expect([board.id, proved]).toEqual([board.id, true]);
      expect([board.id, ...comparable(cost)]).toEqual([board.id, ...solveAsProgram(items, shared)]);
    }
  });
});
