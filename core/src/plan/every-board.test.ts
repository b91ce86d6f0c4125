import { boardIds, planOn, shippedBoard, usualDevices as usual } from "../testing/shipped.ts";
import { deliveredCards, displayPositions, menuValues } from "../board/index.ts";
import { readingsOf } from "../state/index.ts";
import { ranOf } from "../testing/ran.ts";
import { faceAt } from "../twin/index.ts";
import { revisionEffect } from "./compare.ts";

describe.each(boardIds())("a job on %s", (id) => {
  const plan = planOn(id, usual(id), {}, shippedBoard(id).firmware[0]);
  const { board } = plan.bundle;

  test("is planned: every device has its place, and nothing is wrong", () => {
    expect(plan.findings.filter((each) => each.severity !== "note")).toEqual([]);
    expect(plan.wiring.placements.every(({ place }) => place)).toBe(true);
    expect(plan.sheet.length).toBeGreaterThan(10);
  });

  test("done to the end, nothing that the board learns is missing and nothing is wrong", () => {
    const last = plan.sheet.at(-1)!.during;
    for (const step of plan.sheet)
      for (const need of step.needs ?? []) if (need.learned) expect(last.learned).toContain(need.learned);
    expect(last.inForce).toEqual(last.positions);
    const readings = readingsOf(plan, last);
    for (const input of board.inputs.filter((each) => each.guards.length && !each.off))
      expect([input.id, readings.inputs[input.id]?.closed]).toEqual([input.id, true]);
  });

  test("every step before which something must hold finds it so", () => {
    for (const [at, step] of plan.sheet.entries()) {
      const before = plan.sheet[at - 1]?.during;
      for (const need of step.needs ?? [])
        if (need.powered !== undefined && before)
          expect([step.id, before.powered]).toEqual([step.id, need.powered]);
    }
  });

  test("the same revision taken again changes nothing", () => {
    const { refused, settings, cores, steps } = revisionEffect(plan.given, plan.given.board);
    expect({ refused, settings, cores, steps }).toEqual({
      refused: [],
      settings: [],
      cores: { added: [], removed: [] },
      steps: { added: [], removed: [] },
    });
  });
});

describe("settings behind a menu", () => {
  test("an input that stays empty is switched off where a setting can do it", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack", "oddlume-glance"]);
    const { values } = plan.controls.positions;
    expect(values).toMatchObject({ "edge-acts": "00", "stop-acts": "00", "high-acts": "00" });
    const wired = planOn("furzel-slathorn", ["furzel-rack", "oddlume-glance", "lumbrick-halt"], {
      "stop-reaction": "stop",
    });
    expect(wired.controls.positions.values["stop-acts"]).toBe("01");
    const step = wired.sheet.find((each) => each.id.startsWith("set:stop-acts"))!;
    expect(step.says).toBe(
      "Hold ƒ for 3 s to open the short list, go to 90 The longer list and open it, go to P- Protection and open it. Go to P1 Stop input and set it from 00 to 01.",
    );
    // P2 to P6 differ from it by one character.
    expect(step.ifNot).toContain("P2 Low beam");
  });

  test("a list is saved by its gesture, and until then nothing is in force", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack", "oddlume-glance"], {
      "automatic-closing": true,
      "automatic-closing-time": 45,
    });
    const set = plan.sheet.find((each) => each.id.startsWith("set:auto-time"))!;
    const save = plan.sheet.find((each) => each.id.startsWith("commit:save-list"))!;
    expect(set.during.inForce.values["auto-time"]).toBe("20");
    expect(save.during.inForce.values["auto-time"]).toBe("45");
    expect(plan.sheet.indexOf(save)).toBeGreaterThan(plan.sheet.indexOf(set));
  });

  test("the way in is that of the firmware found", () => {
    const way = (firmware: string) =>
      planOn("hexby-hoistrum", ["hexby-shaft"], { "automatic-closing-time": 60 }, firmware).sheet.find(
        (each) => each.id.startsWith("set:n01"),
      )!.says;
    expect(way("1.8")).toContain("Hold KNOB for 3 s to open the user list");
    expect(way("2.1")).toContain(
      "Turn KNOB to the right by 3 clicks, then hold KNOB for 2 s to open the user list",
    );
  });

  test("a slide that means one thing on a gate means another on a door", () => {
    const gate = planOn("pengrath-drawmel", ["pengrath-haul"], { "pre-warning": 3 });
    expect(gate.controls.positions.switches.PLACE).toBe("y");
    const door = planOn("pengrath-drawmel", ["pengrath-haul"], { "passer-by-saving": true }, "", "door");
    expect(door.controls.positions.switches.PLACE).toBe("y");
    expect(door.controls.controls.find((each) => each.parts[0] === "PLACE")?.label).toBe("Passing by");
  });

  test("trap 46: a dial counts only while its switch is on", () => {
    const off = planOn("marlstreet-pewlark", ["marlstreet-strut", "marlstreet-strut"], {
      "automatic-closing": false,
      "automatic-closing-time": 60,
    });
    expect(off.findings.map((each) => each.code)).toContain("dial-not-live");
    const on = planOn("marlstreet-pewlark", ["marlstreet-strut", "marlstreet-strut"], {
      "automatic-closing": true,
      "automatic-closing-time": 60,
    });
    expect(on.findings.map((each) => each.code)).not.toContain("dial-not-live");
    const wait = on.controls.controls.find((each) => each.id === "P1")!;
    expect(wait.gives[0]?.given).toBeCloseTo(60, -1);
  });

  test("what a number shows and what it sets run evenly: 6 of 1 to 10 is 60 % of 10 to 100", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack"], { force: 60 });
    expect(plan.controls.positions.values.push).toBe("6");
    const push = menuValues(plan.bundle.board).find(({ item }) => item.id === "push")!.item;
    expect(displayPositions(push)).toHaveLength(10);
  });
});

describe("displays, lamps and cards", () => {
  test("the display names the reaction in force", () => {
    const plan = planOn("furzel-slathorn", ["furzel-rack", "oddlume-glance"]);
    const prove = ranOf(plan, "prove:photocell-1/beam:low-beam:closing");
    expect(prove.display).toBe("b1");
    expect(prove.see).toContainEqual({ kind: "display", text: "b1" });
  });

  test("inverted limit lamps: lit is the end the gate is not on", () => {
    const plan = planOn("marlstreet-pewlark", ["marlstreet-strut", "marlstreet-strut"]);
    const on = plan.sheet.find((step) => step.id.startsWith("do:power-up"))!.during;
    const half = faceAt(plan, { ...on, leaf: "between" });
    expect(half.lamps).toMatchObject({ "lim-a": "lit", "lim-z": "lit" });
    const shut = faceAt(plan, { ...on, leaf: "closed" });
    expect(shut.lamps).toMatchObject({ "lim-a": "lit", "lim-z": "dark" });
  });

  test("a lamp of two colours with counted flashes", () => {
    const plan = planOn("marlstreet-pewlark", ["marlstreet-strut", "marlstreet-strut"]);
    const on = ranOf(plan, "do:power-up");
    expect(on.looks.state).toEqual({ other: true, flashes: 1 });
    expect(on.see).toContainEqual(
      expect.objectContaining({ lamp: "state", look: { other: true, flashes: 1 } }),
    );
  });

  test("a card brings terminals, a memory and the pairing; without it nothing is paired", () => {
    const bare = planOn("pengrath-drawmel", ["pengrath-haul"]);
    expect(deliveredCards(bare.bundle.board)).toEqual([]);
    expect(bare.sheet.some((step) => step.station === "remotes")).toBe(false);
    const fitted = planOn("pengrath-drawmel", ["pengrath-haul"], {}, "", undefined, ["radio-a"]);
    expect(fitted.sheet.filter((step) => step.station === "remotes")).toHaveLength(3);
    expect(fitted.bundle.board.blocks.map((block) => block.id)).toContain("R");
  });
});
