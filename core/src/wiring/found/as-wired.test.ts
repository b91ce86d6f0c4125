import { installationOf, planJob, stateAsFound, wiresOf } from "../../runsheet/index.ts";
import { planOn } from "../../testing/shipped.ts";
import { asWiredFindings } from "./as-wired.ts";
import { differencesOf, effectOf, effectText, placeText, seated, type Sits } from "./difference.ts";

/** A job wired as planned, but for cores that sit elsewhere. */
function wired(board: string, devices: string[], sits: Sits) {
  const { wiring, bundle } = planOn(board, devices);
  const links = Object.fromEntries(wiring.links.map((link) => [link.id, link.planned]));
  const state = { ...stateAsFound(bundle), landed: wiring.cores.map((core) => core.id), links, sits };
  const at = installationOf(bundle.board, wiring, state);
  return { wiring, bundle, state, at, findings: asWiredFindings({ at, wiring, sits }) };
}

const eye = ["ostwick-glance", "lathbury-halt"];
const codes = (found: ReturnType<typeof wired>) => found.findings.map((each) => each.code);

describe("where a core sits", () => {
  test("in words: a terminal, a connector, another device's pin, nothing", () => {
    const { wiring } = wired("quillmarsh-duet", ["brackwater-turn", "brackwater-clasp"], {});
    expect(placeText("board/F3", wiring.devices)).toBe("F3");
    expect(placeText("joint/J2", wiring.devices)).toBe("connector J2");
    expect(placeText("converter-1/out-plus", wiring.devices)).toBe(
      "Turn converter, AC to regulated DC, out +",
    );
    expect(placeText("off", wiring.devices)).toBe("nothing");
  });

  test("a core found elsewhere is drawn there, and one that hangs loose nowhere", () => {
    const { wiring, state } = wired("quillmarsh-duet", eye, {
      "stop-button-1/a": "board/C4",
      "photocell-1/r-a": "off",
    });
    const wires = wiresOf(wiring, state);
    expect(wires.find((core) => core.from === "stop-button-1/a")?.target).toBe("C4");
    expect(wires.some((core) => core.from === "photocell-1/r-a")).toBe(false);
    const core = wiring.cores[0]!;
    expect(seated(core, "joint/J9")).toMatchObject({ target: "J9", joint: true });
    expect(seated(core, "conv/out-plus")).toMatchObject({ target: "conv/out-plus", joint: false });
  });

  test("a pin for which nothing is planned may be found somewhere too", () => {
    const { wiring, at } = wired("osierbeck-egret", ["larkrise-sill"], { "sensor-1/t": "board/X1" });
    const told = differencesOf(wiring.devices, wiring.cores, { "sensor-1/t": "board/X1" });
    expect(told).toMatchObject([{ pin: "sensor-1/t", plannedText: "nothing", foundText: "X1" }]);
    expect(at.wires.some((wire) => wire.from === "sensor-1/t")).toBe(true);
  });
});

describe("what a difference does", () => {
  test("the input it opens, and the one it closes", () => {
    const { wiring, at } = wired("quillmarsh-duet", eye, { "stop-button-1/a": "board/C2" });
    const [difference] = differencesOf(wiring.devices, wiring.cores, { "stop-button-1/a": "board/C2" });
    // P2 loses its loop; C2 meets the stop's contact, but the other end is on P1, another common.
    expect(effectOf(at, wiring.devices, difference!)).toEqual(["Stop (P2) reads open instead of closed"]);
  });

  test("a device that loses its supply, with the input its relay lets go", () => {
    const { wiring, at } = wired("quillmarsh-duet", eye, { "photocell-1/r-plus": "off" });
    const [difference] = differencesOf(wiring.devices, wiring.cores, { "photocell-1/r-plus": "off" });
    const effect = effectOf(at, wiring.devices, difference!);
    expect(effect).toContain("Photocell (P3) reads open instead of closed");
    expect(effect).toContain("Glance photocell gets nothing");
    expect(effectText(effect)).toMatch(/^With power on, .+ and .+\.$/);
  });

  test("nothing, for a core on another terminal of the same point: a note, and no fault", () => {
    const found = wired("quillmarsh-duet", eye, { "stop-button-1/b": "board/P5" });
    expect(found.findings.map(({ code, severity }) => [code, severity])).toEqual([
      ["core-elsewhere", "note"],
    ]);
    expect(effectText([])).toMatch(/^Nothing changes by it/);
  });
});

describe("what is wrong as it is wired", () => {
  test("nothing, where every core noted sits as planned", () => {
    const { wiring } = planOn("quillmarsh-duet", eye);
    const sits = Object.fromEntries(wiring.cores.map((core) => [core.from, core.to]));
    expect(codes(wired("quillmarsh-duet", eye, sits))).toEqual([]);
  });

  test("a core of extra-low voltage on the mains side is a danger, told before power comes on", () => {
    for (const [board, terminal] of [
      ["quillmarsh-duet", "M1"],
      ["osierbeck-egret", "N1"],
    ] as const) {
      const found = wired(board, eye, { "stop-button-1/a": `board/${terminal}` });
      expect(found.findings[0]).toMatchObject({ code: "core-on-mains", severity: "danger" });
    }
  });

  test("poles exchanged at a photocell, and a pin on both poles of its rail", () => {
    const reversed = wired("osierbeck-egret", eye, {
      "photocell-1/r-plus": "board/E2",
      "photocell-1/r-minus": "board/E1",
    });
    expect(codes(reversed)).toContain("supply-reversed");
    // One core from + and one from − into a connector of their own.
    const shorted = wired("osierbeck-egret", eye, {
      "photocell-1/r-plus": "board/E1",
      "stop-button-1/a": "board/E1",
      "stop-button-1/b": "board/E2",
    });
    const told = shorted.findings.find((each) => each.code === "rail-shorted");
    expect(told).toMatchObject({
      severity: "danger",
      values: { rail: "24 V accessories", through: expect.stringContaining("Halt stop button") as string },
    });
  });

  test("a clamp that holds more than it may", () => {
    const found = wired("quillmarsh-duet", ["brackwater-turn", "brackwater-clasp", ...eye], {
      "photocell-1/r-plus": "board/K1",
    });
    expect(codes(found)).toContain("terminal-crowded");
  });

  test("one plug of a pair exchanged alone is told core by core, and not as two plugs", () => {
    const found = wired("osierbeck-egret", eye, { "photocell-1/r-plus": "board/X1" });
    expect(codes(found)).not.toContain("plugs-swapped");
    expect(codes(found)).toContain("core-misplaced");
  });
});

describe("a log of what was found", () => {
  test("is refused where it names a terminal the board lacks, and forgotten by a later landing", () => {
    const { given, sheet } = planOn("quillmarsh-duet", ["lathbury-halt"]);
    const entry = (to: string, minute: number) => ({
      id: `w${minute}`,
      at: `2026-10-06T09:0${minute}:00.000Z`,
      by: "Ivet Carrandine",
      kind: "wired" as const,
      moves: [{ pin: "stop-button-1/a", to }],
    });
    const found = planJob({ ...given, log: [entry("board/C4", 1)] });
    expect(found.now.sits).toEqual({ "stop-button-1/a": "board/C4" });
    const land = sheet.find((step) => step.cores?.some((id) => id.startsWith("stop-button-1.a")))!;
    const landed = {
      ...entry("", 2),
      kind: "step" as const,
      step: land.id,
      station: land.station,
      title: land.title,
      outcome: "seen" as const,
      effects: [...land.effects],
    };
    const { moves: _moves, ...step } = landed;
    expect(planJob({ ...given, log: [entry("board/C4", 1), step] }).now.sits).toEqual({});
  });
});
