import { wordsOf } from "../../finding/index.ts";
import { measureCircuit, type Installation } from "../../circuit/index.ts";
import { planOn } from "../../testing/shipped.ts";
import { asPlanned } from "../index.ts";
import { type JobPlan } from "../../plan/index.ts";
import { contact } from "../../testing/keys.ts";

const placed = (plan: JobPlan, device: string) =>
  plan.wiring.placements.flatMap(({ demand, place }) =>
    demand.device.id === device && demand.kind === "contact" && place?.kind === "input"
      ? [place.input.id]
      : [],
  );
const faults = (plan: JobPlan) =>
  plan.findings.filter((each) => each.severity === "fault").map((each) => wordsOf(each).why);

describe("an edge goes only where the input looks for what it gives", () => {
  test("an end resistor on an input that wants one, and the board set for it", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack", "lumbrick-ribbon"], {
      "edge-reaction": "both",
    });
    expect(placed(plan, "edge-1")).toEqual(["edge"]);
    expect(plan.controls.positions.values).toMatchObject({ "edge-kind": "00", "edge-acts": "01" });
    expect(faults(plan)).toEqual([]);
  });

  test("a plain contact on the same input, the board set for that", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack", "lumbrick-plushet"], {
      "edge-reaction": "both",
    });
    expect(placed(plan, "edge-1")).toEqual(["edge"]);
    expect(plan.controls.positions.values["edge-kind"]).toBe("01");
  });

  test("an optical edge finds the input for its pulses", () => {
    const plan = planOn("hexby-hoistrum", ["hexby-shaft", "oddlume-glimmet"], {
      "edge-2-reaction": "closing",
    });
    expect(["edge", "optical"]).toContain(placed(plan, "edge-1")[0]);
    expect(faults(plan)).toEqual([]);
  });

  test("an end resistor on a board of plain contacts has no place, and is told why", () => {
    const plan = planOn("pengrath-drawmel", ["pengrath-haul", "lumbrick-ribbon"]);
    expect(placed(plan, "edge-1")).toEqual([]);
    expect(faults(plan)[0]).toBe(
      "Bar (P4) looks for a plain contact; this one gives an end resistor of 8.2 kΩ.",
    );
  });

  test("a plain contact where only an end resistor is understood has no place", () => {
    const plan = planOn("tarn-grellock", ["tarn-drum", "lumbrick-plushet"]);
    expect(faults(plan)[0]).toContain("looks for an end resistor of 8.2 kΩ; this one gives a plain contact");
  });
});

describe("a resistive edge by its voltage: 8.2 kΩ is a value of the E12 series (IEC 60063, from memory)", () => {
  const plan = planOn("tarn-grellock", ["tarn-drum", "lumbrick-ribbon"], { "edge-reaction": "closing" });
  const at = asPlanned(plan.bundle.board, plan.wiring);
  const edge = (one: Installation) => measureCircuit(one).inputs.edge!;

  test("at rest half the input's volts, behind a resistor as large", () => {
    expect(edge(at).volts).toBeCloseTo(12, 1);
    expect(edge(at).closed).toBe(true);
  });

  test("pressed near nothing, cut all of them: neither is rest", () => {
    const pressed = edge({ ...at, tripped: new Set([contact("edge-1/pressed")]) });
    expect(pressed.volts).toBeLessThan(0.1);
    expect(pressed.closed).toBe(false);
    const [core] = plan.wiring.cores.filter((each) => each.device === "edge-1");
    const cut = edge({ ...at, wires: at.wires.filter((wire) => wire.id !== core!.id) });
    expect(cut.volts).toBeCloseTo(24, 1);
    expect(cut.closed).toBe(false);
  });
});
