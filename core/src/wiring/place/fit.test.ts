import type { BoardProfile } from "../../board/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { bundleOn, boardIds, shippedBoard, shippedDevices } from "../../testing/shipped.ts";
import { planWiring } from "../plan.ts";
import { demandsOf, type Demand } from "./demand.ts";
import { placesFor } from "./fit.ts";
import { feedGives } from "./relay.ts";

const demandsFor = (profile: DeviceProfile): Demand[] =>
  demandsOf([{ id: "one", name: profile.name, profile }]);

/** The relays of a board that are offered for a supply, with the rails they pass on. */
const relaysFor = (demand: Demand, board: BoardProfile) =>
  placesFor(demand, board, []).flatMap(({ place }) => (place.kind === "relay" ? [place] : []));

const setRelays = (board: BoardProfile, most: { maxVolts?: number; maxMilliamps?: number }) =>
  board.outputs.forEach((output) => {
    if (output.kind === "relay") Object.assign(output, { maxVolts: 1e4, maxMilliamps: 1e5 }, most);
  });

describe("a relay switches what its contact bears, to the volt and the milliamp, and nothing more", () => {
  const cases = boardIds().flatMap((id) => {
    const board = shippedBoard(id);
    setRelays(board, {});
    return shippedDevices().flatMap((device) =>
      demandsFor(device).flatMap((demand) =>
        demand.kind === "supply" && relaysFor(demand, board).length > 0 ? [{ id, demand }] : [],
      ),
    );
  });

  test("on several boards, for several loads", () => {
    expect(new Set(cases.map(({ id }) => id)).size).toBeGreaterThan(2);
    expect(new Set(cases.map(({ demand }) => demand.device.profile.id)).size).toBeGreaterThan(2);
  });

  test("milliamps", () => {
    for (const { id, demand } of cases) {
      const board = shippedBoard(id);
      const offered = (maxMilliamps: number) => {
        setRelays(board, { maxMilliamps });
        return relaysFor(demand, board).length;
      };
      const { working } = demand.supply.milliamps;
      expect([id, demand.device.name, offered(working) > 0, offered(working - 1)]).toEqual([
        ...[id, demand.device.name, true, 0],
      ]);
    }
  });

  test("volts", () => {
    for (const { id, demand } of cases) {
      const board = shippedBoard(id);
      const most = Math.max(...relaysFor(demand, board).map(({ feed }) => feedGives(feed).volts));
      const offered = (maxVolts: number) => {
        setRelays(board, { maxVolts });
        return relaysFor(demand, board).map(({ feed }) => feedGives(feed).volts);
      };
      expect(offered(most)).toContain(most);
      expect(offered(most - 1)).not.toContain(most);
    }
  });
});

describe("how far a place is from the one made for it", () => {
  test("a rail or an input by the first of its uses that is asked of it; made rails after those, relays last", () => {
    for (const id of boardIds()) {
      const board = shippedBoard(id);
      for (const demand of shippedDevices().flatMap(demandsFor))
        for (const { place, rank } of placesFor(demand, board, []))
          if (place.kind === "input" && demand.kind === "contact")
            expect(place.input.takes[rank]).toBe(demand.contact.duty);
          else if (place.kind === "rail" && demand.kind === "supply") {
            expect(demand.duties).toContain(place.rail.feeds[rank]);
            expect(place.rail.feeds.slice(0, rank).some((each) => demand.duties.includes(each))).toBe(false);
          } else if (place.kind === "relay") expect(rank).toBeGreaterThan(board.rails.length);
          else expect(rank).toBe(0);
    }
  });
});

describe("traps 31 and its reverse: what must live never sleeps, what must sleep sleeps", () => {
  type Lives = "always" | "switched";
  /** The findings of devices of the catalogue that must live so, each alone on a board whose rails all live thus. */
  const codesWith = (live: "always" | "moving", lives: Lives) =>
    boardIds().flatMap((id) =>
      shippedDevices()
        .filter((device) => device.supplies.some((supply) => supply.lives === lives))
        .flatMap((device) => {
          const bundle = bundleOn(id, [device.id]);
          for (const rail of bundle.board.rails) rail.live = live;
          const { placements, findings } = planWiring(bundle);
          const onRail = placements.some(
            ({ demand, place }) =>
              demand.kind === "supply" && demand.supply.lives === lives && place?.kind === "rail",
          );
          const own = findings.map((each) => each.code).filter((code) => /^rail-(never-)?sleeps$/.test(code));
          return onRail ? own.concat(own.length ? [] : ["none" as never]) : [];
        }),
    );

  test.each([
    ["always", "moving", "rail-sleeps"],
    ["switched", "always", "rail-never-sleeps"],
    ["always", "always", "none"],
    ["switched", "moving", "none"],
  ] as const)("lives %s, the rails live %s: %s", (lives, live, code) => {
    const codes = codesWith(live, lives);
    expect(codes.length).toBeGreaterThan(3);
    expect(new Set<string>(codes)).toEqual(new Set([code]));
  });
});
