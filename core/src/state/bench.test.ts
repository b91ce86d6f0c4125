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
