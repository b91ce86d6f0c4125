import { demoBundle } from "../testing/shipped.ts";
import { asPlanned, planWiring } from "../wiring/index.ts";
import { meterBetween, meterText, type Installation } from "./index.ts";
import { terminalNode } from "../node/index.ts";
import { contact, target } from "../testing/keys.ts";

const bundle = demoBundle("netloft");
const plan = planWiring(bundle);
const at = asPlanned(bundle.board, plan);
const off: Installation = { ...at, powered: false };
const between = (one: Installation, a: string, b: string) =>
  meterBetween(one, terminalNode(a), terminalNode(b));

describe("a meter between two terminals", () => {
  test("with power: the rail's volts, the same with the probes exchanged but for the sign, nought on one pole", () => {
    expect(between(at, "R1", "R2").volts).toBeCloseTo(24, 1);
    expect(between(at, "R2", "R1").volts).toBeCloseTo(-between(at, "R1", "R2").volts!, 9);
    expect(between(at, "R1", "R3").volts).toBeCloseTo(0, 6);
    expect(between(at, "K1", "K2")).toMatchObject({ kind: "ac" });
    expect(between(at, "P1", "P1")).toEqual({ volts: 0 });
  });

  test("an input: near nothing while its contact is closed, its own volts while it is open", () => {
    expect(Math.abs(between(at, "P2", "P1").volts!)).toBeLessThan(0.1);
    const stopped = plan.devices.find((device) => device.profile.kind === "stop-button")!;
    const tripped = new Set([contact(`${stopped.id}/pressed`)]);
    expect(between({ ...at, tripped }, "P2", "P1").volts).toBeCloseTo(24, 1);
  });

  test("without power: the resistance of the loop, open where nothing joins the two", () => {
    const loop = plan.cores.filter((core) => target(core) === "P2" || core.device === "halt");
    expect(loop.length).toBeGreaterThan(0);
    const { ohms } = between(off, "P2", "P1");
    const stop = plan.cores.filter((core) => core.why.startsWith("Stop:"));
    const expected = stop.reduce((sum, core) => sum + (core.ohms ?? 0.02), 0);
    expect(ohms).toBeCloseTo(expected, 3);
    // A photocell's relay is open without its supply.
    expect(between(off, "P3", "P1")).toEqual({});
    expect(between(off, "R1", "C1")).toEqual({});
  });

  test("in words, with the reason", () => {
    expect(meterText(at, "R1", "R2")).toEqual({
      reading: "24 V DC",
      why: "the two poles of Accessory rail, always on",
    });
    expect(meterText(off, "P3", "P1")).toEqual({ reading: "open", why: "Photocell and its common" });
    expect(meterText(at, "P1", "P5").why).toBe("one common, joined on the board");
    expect(meterText(at, "R1", "C1").why).toBe("nothing joins them; the meter may drift");
  });
});
