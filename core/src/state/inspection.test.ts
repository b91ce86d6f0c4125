import { pinNode } from "../node/index.ts";
import { jobOn } from "../testing/found.ts";
import { planJob } from "../plan/index.ts";
import { planOnce, boardIds, shippedBoard, usualDevices } from "../testing/shipped.ts";
import { applyEffect, inspect, stateAsFound, type BenchState } from "./index.ts";

/** What the inspection tells under one code, with the cores of a device landed and the state changed so. */
function benchOf(code: string, board: string, device: string) {
  const planned = planJob(jobOn(board, [device]));
  const last = planned.wiring.devices.at(-1)!;
  const own = planned.wiring.cores.filter((core) => core.device === last.id);
  return {
    last,
    own,
    findingsOf: (change: Partial<BenchState>) =>
      inspect(planned, { ...stateAsFound(planned.bundle), ...change }).filter((each) => each.code === code),
  };
}

describe.each(["osierbeck-quernish", "lammerlow-thrussel"])(
  "a battery on %s, the board isolated",
  (board) => {
    const { own, findingsOf } = benchOf("battery-left-connected", board, "quillmarsh-reserve");
    const all = own.map((core) => core.id);

    test("is left connected once its last core is on, and names itself", () => {
      expect(all.length).toBeGreaterThan(1);
      expect(findingsOf({ landed: all }).map(({ subjects }) => subjects)).toEqual([
        [{ kind: "device", id: own[0]!.device }],
      ]);
    });

    test.each(all.map((_, index) => index))("is not with one core off still (%i)", (index) => {
      expect(findingsOf({ landed: all.filter((_each, other) => other !== index) })).toEqual([]);
    });

    test("is not while the board has power, nor with nothing landed", () => {
      expect(findingsOf({ landed: all, powered: true })).toEqual([]);
      expect(findingsOf({ landed: [] })).toEqual([]);
    });
  },
);

test.each([
  ["quillmarsh-tandrel", "brackwater-clasp", true],
  ["osierbeck-quernish", "quillmarsh-reserve", false],
])("plugged in under power on %s, %s is named where it is keyed: %s", (board, device, keyed) => {
  const { findingsOf, last } = benchOf("plugged-while-live", board, device);
  const live = findingsOf({ landedLive: [pinNode(last.id, last.profile.pins[0]!.id)] });
  expect(live.map(({ subjects }) => subjects)).toEqual(keyed ? [[{ kind: "device", id: last.id }]] : []);
  expect(findingsOf({})).toEqual([]);
});

test("trap 2: a protection whose core is off is open, on every board; a command's open contact is none", () => {
  const opened = boardIds().flatMap((id) => {
    const planned = planOnce(jobOn(id, usualDevices(id)));
    const { wiring, bundle } = planned;
    const wired: BenchState = {
      ...stateAsFound(bundle),
      landed: wiring.cores.map((core) => core.id),
      links: Object.fromEntries(wiring.links.map((link) => [link.id, link.planned])),
      positions: planned.controls.positions,
      inForce: planned.controls.positions,
      powered: true,
    };
    const openAt = (state: BenchState) =>
      inspect(planned, state)
        .filter((each) => each.code === "protection-open")
        .flatMap(({ subjects }) => subjects.filter((each) => each.kind === "input").map((each) => each.id));
    expect([id, openAt(wired)]).toEqual([id, []]);
    return wiring.placements.flatMap(({ demand, place }) => {
      if (demand.kind !== "contact" || place?.kind !== "input") return [];
      const pin = pinNode(demand.device.id, demand.contact.pins[0]);
      const state = applyEffect(wired, { kind: "move", moves: [{ pin, to: "off" }] });
      const protects = demand.contact.rest === "closed" && place.input.reactions.length > 0;
      if (protects) expect([id, openAt(state)]).toEqual([id, [place.input.id]]);
      else if (demand.contact.rest === "open") expect([id, openAt(state)]).toEqual([id, []]);
      expect(openAt({ ...state, powered: false })).toEqual([]);
      return protects ? [place.input.id] : [];
    });
  });
  expect(opened.length).toBeGreaterThan(15);
});

test("a battery that found no place on the board is not left connected", () => {
  const without = boardIds().filter((id) => shippedBoard(id).battery === undefined);
  expect(without.length).toBeGreaterThan(2);
  for (const id of without) {
    const planned = planOnce(jobOn(id, ["quillmarsh-reserve"]));
    expect(inspect(planned, stateAsFound(planned.bundle)).map((each) => each.code)).not.toContain(
      "battery-left-connected",
    );
  }
});

test("where a core belongs that sits elsewhere, no link is asked for; on an input that nothing is meant for, one is", () => {
  const asked = boardIds().flatMap((id) => {
    const planned = planOnce(jobOn(id, [...usualDevices(id), "lumbrick-halt"]));
    const { wiring, bundle } = planned;
    const out = Object.fromEntries(wiring.links.map((link) => [link.id, "out" as const]));
    const wired: BenchState = {
      ...stateAsFound(bundle),
      landed: wiring.cores.map((core) => core.id),
      links: out,
      powered: true,
    };
    const missing = (state: BenchState) =>
      inspect(planned, state)
        .filter((each) => each.code === "link-missing")
        .flatMap(({ subjects }) => subjects.filter((each) => each.kind === "link").map((each) => each.id));
    return wiring.links.flatMap((link) => {
      const input = bundle.board.inputs.find((each) => each.link === link.id);
      const core = wiring.cores.find(({ to }) => to.kind === "terminal" && to.terminal === input?.terminal);
      expect([id, link.id, missing(wired).includes(link.id)]).toEqual([id, link.id, link.planned === "in"]);
      if (core?.from.kind !== "pin") return [];
      const other = wiring.cores.find(({ to }) => to.kind === "terminal" && to.terminal !== input?.terminal)!;
      const elsewhere = applyEffect(wired, { kind: "move", moves: [{ pin: core.from, to: other.to }] });
      expect([id, link.id, missing(elsewhere).includes(link.id)]).toEqual([id, link.id, false]);
      return [link.id];
    });
  });
  expect(asked.length).toBeGreaterThan(3);
});
