import { shippedBoard, shippedDevices } from "../testing/shipped.ts";
import { inputMilliamps } from "../device/index.ts";
import { measureCircuit, type Installation, type PlacedDevice, type Wire } from "./index.ts";
import { contact, made, node, rail, supply } from "../testing/keys.ts";

const profile = (id: string) => shippedDevices().find((device) => device.id === id)!;
const placed = (id: string, as = id): PlacedDevice => ({ id: as, name: as, profile: profile(id) });

function installed(
  board: string,
  devices: PlacedDevice[],
  wires: [string, string, number?][],
  tripped: string[] = [],
): Installation {
  return {
    board: shippedBoard(board),
    devices,
    wires: wires.map(([from, to, ohms], at): Wire => ({
      id: `w${at}`,
      from: node(from),
      to: node(to),
      ...(ohms === undefined ? {} : { ohms }),
    })),
    linksIn: new Set(),
    tripped: new Set(tripped.map(contact)),
    powered: true,
  };
}

/** An input of a shipped board that looks for an end resistor. */
const resistive = (() => {
  for (const id of [
    "quillmarsh-tandrel",
    "osierbeck-quernish",
    "hexby-hoistrum",
    "pengrath-drawmel",
    "copperfold-skarlune",
  ]) {
    const board = shippedBoard(id);
    const input = board.inputs.find((each) => each.ohms !== undefined);
    if (input)
      return { id, input, common: board.commons.find((each) => each.id === input.common)!.terminals[0]! };
  }
  throw new Error("no board looks for an end resistor");
})();

describe("an edge with its end resistor, 8.2 kΩ as IEC 60063 has it in E12 (from memory)", () => {
  const edge = (tripped: string[] = [], cut = false) => {
    const { id, input, common } = resistive;
    const ends: [string, string][] = [
      ["near/a", input.terminal],
      ["near/b", common ?? ""],
      ["far/a", "near/fa"],
      ["far/b", "near/fb"],
    ];
    const wires = cut ? ends.slice(0, 3) : ends;
    const at = installed(
      id,
      [placed("lumbrick-ribbon", "near"), placed("lumbrick-ribbon", "far")],
      wires,
      tripped,
    );
    return measureCircuit(at).inputs[input.id]!;
  };

  test("two in a chain rest at half the voltage, by one resistor at the far end", () => {
    const { volts, reads } = edge();
    // By hand: 24 V over a pull of 8.2 kΩ and the edge's 8.2 kΩ.
    expect(volts).toBeCloseTo(12, 2);
    expect(reads).toBe("rest");
  });

  test("pressed, whichever of the two, it reads near nothing", () => {
    for (const pressed of ["near/pressed", "far/pressed"]) {
      expect(edge([pressed]).volts).toBeLessThan(0.01);
      expect(edge([pressed]).reads).toBe("pressed");
    }
  });

  test("cut between the two, it reads the whole voltage", () => {
    expect(edge([], true).volts).toBeCloseTo(24, 2);
    expect(edge([], true).reads).toBe("cut");
  });

  test("two with their own resistors side by side are told from one at rest: a third of the voltage", () => {
    const { id, input, common } = resistive;
    const wires = ["one", "two"].flatMap((each): [string, string][] => [
      [`${each}/a`, input.terminal],
      [`${each}/b`, common ?? ""],
    ]);
    const at = installed(id, [placed("lumbrick-ribbon", "one"), placed("lumbrick-ribbon", "two")], wires);
    const { volts, reads } = measureCircuit(at).inputs[input.id]!;
    expect(volts).toBeCloseTo((24 * 4.1) / (8.2 + 4.1), 2);
    expect(reads).toBe("pressed");
  });
});

describe("the resistor an edge was bought with", () => {
  const reads = (ohms: number) => {
    const { id, input, common } = resistive;
    const edge = placed("lumbrick-ribbon", "one");
    for (const contact of edge.profile.contacts) contact.ohms = ohms;
    const at = installed(
      id,
      [edge],
      [
        ["one/a", input.terminal],
        ["one/b", common ?? ""],
      ],
    );
    return measureCircuit(at).inputs[input.id]!.reads;
  };

  test("within the 10 % of the E12 series (IEC 60063, from memory), and as much again for cold and heat, it is at rest", () => {
    for (const part of [0.8, 0.9, 1, 1.1, 1.2]) expect(reads(8_200 * part)).toBe("rest");
  });

  test("two in one run read as cut, one with another beside it as pressed", () => {
    expect(reads(8_200 * 2)).toBe("cut");
    expect(reads(8_200 / 2)).toBe("pressed");
  });
});

describe("contacts in series", () => {
  const chain = (ohms: number, tripped: string[] = []) => {
    const wires: [string, string, number][] = [
      ["one/a", "P2", ohms],
      ["one/b", "joint/J1", ohms],
      ["two/a", "joint/J1", ohms],
      ["two/b", "joint/J2", ohms],
      ["three/a", "joint/J2", ohms],
      ["three/b", "P1", ohms],
    ];
    const devices = ["one", "two", "three"].map((id) => placed("lumbrick-halt", id));
    return measureCircuit(installed("quillmarsh-tandrel", devices, wires, tripped)).inputs.stop!;
  };

  test("three closed contacts read closed, the voltage what their six cores leave of the pull", () => {
    // By hand: six cores of 50 Ω are 300 Ω against the input's 4.7 kΩ and its 1 Ω: 24 · 300 / 5001 = 1.440 V.
    expect(chain(50)).toMatchObject({ reads: "closed" });
    expect(chain(50).volts).toBeCloseTo((24 * 300) / 5001, 4);
  });

  test("any one of them opens the chain", () => {
    for (const device of ["one", "two", "three"]) {
      const { id } = profile("lumbrick-halt").contacts[0]!;
      expect(chain(50, [`${device}/${id}`])).toMatchObject({ reads: "open", closed: false });
    }
  });

  test("cores as bad as 500 Ω each read open: a third of the voltage is passed", () => {
    expect(chain(500).reads).toBe("open");
  });
});

describe("converters", () => {
  test("an unregulated one without load gives what its sheet says, 24·√2 − 2·0.7 ≈ 32.5 V, and less the more it carries", () => {
    const feed: [string, string][] = [
      ["conv/in-a", "K1"],
      ["conv/in-b", "K2"],
    ];
    const empty = measureCircuit(installed("quillmarsh-tandrel", [placed("brackwater-plain", "conv")], feed));
    expect(empty.rails[made("conv/out")]?.volts).toBeCloseTo(24 * Math.SQRT2 - 1.4, 0);
    const loaded = measureCircuit(
      installed(
        "quillmarsh-tandrel",
        [placed("brackwater-plain", "conv"), placed("brackwater-clasp", "lock")],
        [...feed, ["lock/plus", "conv/out-plus"], ["lock/minus", "conv/out-minus"]],
      ),
    );
    // By hand: 8.5 V fall over 560 mA, so 310 mA leave 32.5 − 8.5 · 310/560 = 27.79 V, a little less over two short cores.
    expect(loaded.rails[made("conv/out")]?.volts).toBeCloseTo(27.8, 1);
    expect(loaded.supplies[supply("lock/coil")]?.state).toBe("over");
    // Its a.c. side draws 1.7 times the d.c. current: power and form factor, not amps for amps.
    expect(loaded.rails[rail("lock")]?.milliamps).toBeCloseTo(1.7 * 310, 0);
  });

  test("a switching one passes power on: 24 V at 1 A out of 48 V d.c. asks 0.5 A over its efficiency", () => {
    const rail = {
      ...profile("brackwater-turn").provides[0]!,
      manner: "switching" as const,
      efficiency: 0.8,
      volts: 24,
    };
    expect(inputMilliamps(rail, { kind: "dc" }, 1_000, 48)).toBeCloseTo(625, 6);
    expect(inputMilliamps({ ...rail, formFactor: 1.7 }, { kind: "ac" }, 1_000, 24)).toBeCloseTo(2_125, 6);
    expect(
      inputMilliamps({ ...rail, manner: "rectifier", formFactor: 1.7 }, { kind: "ac" }, 600, 24),
    ).toBeCloseTo(1_020, 6);
  });

  test("two that could only feed one another never wake, and nothing is left unsolved", () => {
    const ring = (id: string): PlacedDevice => {
      const base = placed("brackwater-turn", id);
      const supply = { ...base.profile.supplies[0]!, kind: "dc" as const };
      return { ...base, profile: { ...base.profile, supplies: [supply] } };
    };
    const wires: [string, string][] = [
      ["a", "b"],
      ["b", "a"],
    ].flatMap(([from, to]): [string, string][] => [
      [`${from}/in-a`, `${to}/out-plus`],
      [`${from}/in-b`, `${to}/out-minus`],
    ]);
    const { supplies, unsolved } = measureCircuit(
      installed("quillmarsh-tandrel", [ring("a"), ring("b")], wires),
    );
    expect(supplies[supply("a/in")]?.state).toBe("absent");
    expect(unsolved).toEqual([]);
  });
});

describe("wiring that must be told apart", () => {
  test("a d.c. device on a.c. terminals reads as the wrong kind, and a pin on both poles shorts the rail", () => {
    const wrong = installed(
      "quillmarsh-tandrel",
      [placed("brackwater-clasp", "lock")],
      [
        ["lock/plus", "K1"],
        ["lock/minus", "K2"],
      ],
    );
    expect(measureCircuit(wrong).supplies[supply("lock/coil")]).toMatchObject({ state: "wrong-kind" });
    const short = installed(
      "quillmarsh-tandrel",
      [placed("brackwater-clasp", "lock")],
      [
        ["lock/plus", "R1"],
        ["lock/plus", "R2"],
      ],
    );
    const { rails, unsolved } = measureCircuit(short);
    expect(rails[rail("accessories")]).toMatchObject({ limited: true });
    expect(rails[rail("accessories")]!.volts).toBeLessThan(12);
    expect(unsolved).toEqual([]);
  });

  test("every volt is a number, whatever hangs loose", () => {
    const loose = measureCircuit(
      installed("hexby-hoistrum", [placed("oddlume-glance", "eye")], [["eye/r-plus", "eye/r-b"]]),
    );
    for (const { volts } of [
      ...Object.values(loose.inputs),
      ...Object.values(loose.supplies),
      ...Object.values(loose.rails),
    ])
      expect(Number.isFinite(volts)).toBe(true);
  });
});
