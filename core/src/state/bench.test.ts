import { boardIds, bundleOn, planOn, usualDevices } from "../testing/shipped.ts";
import { applyEffect, stateAsFound } from "./bench.ts";
import { installationOf } from "./installation.ts";

test("before the first step nothing is landed, learned, tripped or powered, on any board, and every control as noted", () => {
  for (const id of boardIds()) {
    const state = stateAsFound(bundleOn(id, []));
    const nothing = { powered: false, landed: [], sits: {}, landedLive: [], learned: [], tripped: [] };
    expect(state).toMatchObject({ ...nothing, mode: "idle" });
    expect(state.inForce).toEqual(state.positions);
  }
});

test("what is joined while there is power was plugged in live; what is taken off, or joined without, was not", () => {
  for (const id of boardIds()) {
    const { bundle, wiring } = planOn(id, usualDevices(id));
    const core = wiring.cores.find(({ from }) => from.kind === "pin");
    if (core?.from.kind !== "pin") continue;
    const pin = core.from;
    const off = stateAsFound(bundle);
    const on = applyEffect(off, { kind: "power", on: true });
    const move = (to: typeof core.to | "off") => ({
      kind: "move" as const,
      moves: [{ pin, to: to as never }],
    });
    expect(applyEffect(off, move(core.to)).landedLive).toEqual([]);
    expect(applyEffect(on, move(core.to)).landedLive).toEqual([pin]);
    expect(applyEffect(on, move("off")).landedLive).toEqual([]);
    const land = { kind: "land" as const, cores: [core.id], pins: [pin] };
    expect(applyEffect(on, land)).toMatchObject({ landedLive: [pin], landed: [core.id] });
    expect(applyEffect(applyEffect(on, land), land).landed).toEqual([core.id]);
    // Power off and on again: what was joined before it came back was not plugged in live then.
    const again = applyEffect(applyEffect(on, { kind: "power", on: false }), land);
    expect(again.landedLive).toEqual([]);
  }
});

test("a core landed is a wire of the circuit; one found off is none, and one found elsewhere runs there", () => {
  for (const id of boardIds()) {
    const { bundle, wiring } = planOn(id, usualDevices(id));
    const all = { ...stateAsFound(bundle), landed: wiring.cores.map((core) => core.id) };
    expect(installationOf(bundle.board, wiring, all).wires).toHaveLength(wiring.cores.length);
    expect(installationOf(bundle.board, wiring, stateAsFound(bundle)).wires).toEqual([]);
    const core = wiring.cores.find(({ from, to }) => from.kind === "pin" && to.kind === "terminal");
    if (core?.from.kind !== "pin") continue;
    const taken = applyEffect(all, { kind: "move", moves: [{ pin: core.from, to: "off" }] });
    const left = installationOf(bundle.board, wiring, taken).wires;
    expect(left).toHaveLength(wiring.cores.filter((each) => each.from !== core.from).length);
  }
});

test("things are counted into a memory and out of it; with the last one gone it is empty", () => {
  const [id] = boardIds();
  const begin = stateAsFound(bundleOn(id!, []));
  const after = (...kinds: ("add" | "drop" | "learn" | "forget")[]) =>
    kinds.reduce((state, kind) => applyEffect(state, { kind, what: "remotes" }), begin);
  const held = (state: ReturnType<typeof after>) => [state.held.remotes, state.learned.includes("remotes")];
  expect(held(after("add", "add"))).toEqual([2, true]);
  expect(held(after("add", "add", "drop"))).toEqual([1, true]);
  expect(held(after("learn", "drop"))).toEqual([0, false]);
  expect(held(after("add", "add", "learn"))).toEqual([2, true]);
  expect(held(after("add", "forget"))).toEqual([0, false]);
  expect(held(after("drop"))).toEqual([0, false]);
});

test("what was seen of leaf, supply, battery and code stays seen until something else is", () => {
  const [id] = boardIds();
  const effects = [
    { kind: "leaf", at: "open" },
    { kind: "supply", from: "battery" },
    { kind: "battery", is: "low" },
    { kind: "fault", code: "E1" },
  ] as const;
  const state = effects.reduce(applyEffect, stateAsFound(bundleOn(id!, [])));
  expect(state).toMatchObject({ leaf: "open", supply: "battery", battery: "low", fault: "E1" });
  expect(applyEffect(state, { kind: "fault" }).fault).toBeUndefined();
});
