import { sampleOf } from "../../testing/sample.ts";
import { terminalOf } from "../../board/index.ts";
import { boardIds, planOn, usualDevices } from "../../testing/shipped.ts";
import { asWiredFindings } from "./as-wired.ts";
import { differencesOf, effectOf, effectText } from "./difference.ts";
import { installationOf, stateAsFound, wiresOf } from "../../state/index.ts";
import { planJob, type JobPlan } from "../../plan/index.ts";
import { nodeWord, sameNode, terminalIn } from "../../node/index.ts";
import { moves, node, sits as sitsOf, target } from "../../testing/keys.ts";
import { seatText, type Core } from "../cores/index.ts";

/** A job wired as planned, but for cores that sit elsewhere. */
const wired = (board: string, devices: string[], at: Readonly<Record<string, string>>) =>
  wiredAs(planOn(board, devices), at);

function wiredAs({ wiring, bundle }: JobPlan, at: Readonly<Record<string, string>>) {
  const sits = sitsOf(at);
  const links = Object.fromEntries(wiring.links.map((link) => [link.id, link.planned]));
  const state = { ...stateAsFound(bundle), landed: wiring.cores.map((core) => core.id), links, sits };
  const installed = installationOf(bundle.board, wiring, state);
  const findings = asWiredFindings({ at: installed, wiring, sits });
  return { wiring, bundle, state, at: installed, findings };
}

const eye = ["oddlume-glance", "lumbrick-halt"];
const codes = (found: ReturnType<typeof wired>) => found.findings.map((each) => each.code);

describe("where a core sits", () => {
  test("in words: a terminal, a connector, another device's pin, nothing", () => {
    const { wiring } = wired("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"], {});
    expect(seatText(node("F3"), wiring.devices)).toBe("F3");
    expect(seatText(node("joint/J2"), wiring.devices)).toBe("connector J2");
    expect(seatText(node("converter-1/out-plus"), wiring.devices)).toBe(
      "Turn converter, AC to regulated DC, out +",
    );
    expect(seatText("off", wiring.devices)).toBe("nothing");
  });

  test("a core found elsewhere is drawn there, and one that hangs loose nowhere", () => {
    const { wiring, state } = wired("quillmarsh-tandrel", eye, {
      "stop-button-1/a": "C4",
      "photocell-1/r-a": "off",
    });
    const wires = wiresOf(wiring, state);
    const from = (text: string) => wires.filter((core) => sameNode(core.from, node(text)));
    expect(from("stop-button-1/a").map(target)).toEqual(["C4"]);
    expect(from("photocell-1/r-a")).toEqual([]);
  });

  test("a pin for which nothing is planned may be found somewhere too", () => {
    const { wiring, at } = wired("osierbeck-quernish", ["lammerlow-sill"], { "sensor-1/t": "X1" });
    const differences = differencesOf(wiring.devices, wiring.cores, sitsOf({ "sensor-1/t": "X1" }));
    expect(differences).toMatchObject([{ pin: node("sensor-1/t"), plannedText: "nothing", foundText: "X1" }]);
    expect(at.wires.some((wire) => sameNode(wire.from, node("sensor-1/t")))).toBe(true);
  });
});

describe("what a difference does", () => {
  test("the input it opens, and the one it closes", () => {
    const { wiring, at } = wired("quillmarsh-tandrel", eye, { "stop-button-1/a": "C2" });
    const [difference] = differencesOf(wiring.devices, wiring.cores, sitsOf({ "stop-button-1/a": "C2" }));
    // P2 loses its loop; C2 meets the stop's contact, but the other end is on P1, another common.
    expect(effectOf(at, wiring.devices, difference!)).toEqual(["Stop (P2) reads open instead of closed"]);
  });

  test("a device that loses its supply, with the input its relay lets go", () => {
    const { wiring, at } = wired("quillmarsh-tandrel", eye, { "photocell-1/r-plus": "off" });
    const [difference] = differencesOf(wiring.devices, wiring.cores, sitsOf({ "photocell-1/r-plus": "off" }));
    const effect = effectOf(at, wiring.devices, difference!);
    expect(effect).toContain("Photocell (P3) reads open instead of closed");
    expect(effect).toContain("Glance photocell gets nothing");
    expect(effectText(effect)).toMatch(/^With power on, .+ and .+\.$/);
  });

  test("nothing, for a core on another terminal of the same point: a note, and no fault", () => {
    const found = wired("quillmarsh-tandrel", eye, { "stop-button-1/b": "P5" });
    expect(found.findings.map(({ code, severity }) => [code, severity])).toEqual([
      ["core-elsewhere", "note"],
    ]);
    expect(effectText([])).toMatch(/^Nothing changes by it/);
  });
});

test("a rail that falls by a core is told with that core, and not with another that changes nothing about it", () => {
  const sits = { "stop-button-1/a": "E1", "stop-button-1/b": "E2", "photocell-1/r-a": "off" };
  const { wiring, at } = wired("osierbeck-quernish", eye, sits);
  const told = differencesOf(wiring.devices, wiring.cores, sitsOf(sits)).map((difference) => [
    nodeWord(difference.pin),
    effectOf(at, wiring.devices, difference).some((text) => text.endsWith("gives all it can and falls")),
  ]);
  expect(Object.fromEntries(told)).toEqual({
    "stop-button-1/a": true,
    "stop-button-1/b": true,
    "photocell-1/r-a": false,
  });
});

describe("what is wrong as it is wired", () => {
  test("nothing, where every core noted sits as planned", () => {
    const { wiring } = planOn("quillmarsh-tandrel", eye);
    const sits = Object.fromEntries(wiring.cores.map((core) => [nodeWord(core.from), target(core)]));
    expect(codes(wired("quillmarsh-tandrel", eye, sits))).toEqual([]);
  });

  test("a core of extra-low voltage on the mains side is a danger, told before power comes on", () => {
    for (const [board, terminal] of [
      ["quillmarsh-tandrel", "M1"],
      ["osierbeck-quernish", "N1"],
    ] as const) {
      const found = wired(board, eye, { "stop-button-1/a": terminal });
      expect(found.findings[0]).toMatchObject({ code: "core-on-mains", severity: "danger" });
    }
  });

  test("poles exchanged at a photocell, and a pin on both poles of its rail", () => {
    const reversed = wired("osierbeck-quernish", eye, {
      "photocell-1/r-plus": "E2",
      "photocell-1/r-minus": "E1",
    });
    expect(codes(reversed)).toContain("supply-reversed");
    // One core from + and one from − into a connector of their own.
    const shorted = wired("osierbeck-quernish", eye, {
      "photocell-1/r-plus": "E1",
      "stop-button-1/a": "E1",
      "stop-button-1/b": "E2",
    });
    const short = shorted.findings.find((each) => each.code === "rail-shorted");
    expect(short).toMatchObject({
      severity: "danger",
      values: { rail: "24 V accessories", through: expect.stringContaining("Halt stop button") as string },
    });
  });

  test("a clamp that holds more than it may", () => {
    const found = wired("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp", ...eye], {
      "photocell-1/r-plus": "K1",
    });
    expect(codes(found)).toContain("terminal-crowded");
  });

  test("one plug of a pair exchanged alone is told core by core, and not as two plugs", () => {
    const found = wired("osierbeck-quernish", eye, { "photocell-1/r-plus": "X1" });
    expect(codes(found)).not.toContain("plugs-swapped");
    expect(codes(found)).toContain("core-misplaced");
  });
});

describe("trap 44: two plugs of one shape in each other's place", () => {
  test("any two blocks of any board exchanged: plugs where both have one shape, cores everywhere else", () => {
    const pairs = sampleOf(boardIds(), 6).flatMap((id) => {
      const plan = planOn(id, usualDevices(id));
      const { bundle, wiring } = plan;
      const blockOf = (core: Core) => terminalOf(bundle.board, terminalIn(core.to) ?? "")?.block;
      const used = bundle.board.blocks.filter((block) =>
        wiring.cores.some((core) => blockOf(core) === block),
      );
      return used.flatMap((one, index) =>
        used.slice(index + 1).flatMap((other) => {
          const cores = wiring.cores.filter((core) => [one, other].includes(blockOf(core)!));
          const crossed = cores.map((core): [string, string] => {
            const from = blockOf(core)!;
            const to = from === one ? other : one;
            const place = from.terminals.findIndex(({ number }) => `${from.id}${number}` === target(core));
            return [nodeWord(core.from), `${to.id}${to.terminals[place]?.number ?? 0}`];
          });
          if (crossed.some(([, to]) => terminalOf(bundle.board, to) === undefined)) return [];
          const swapped = codes(wiredAs(plan, Object.fromEntries(crossed))).includes("plugs-swapped");
          const alike = one.plug !== undefined && one.plug === other.plug;
          expect([id, one.id, other.id, swapped]).toEqual([id, one.id, other.id, alike]);
          return [[one, other]];
        }),
      );
    });
    expect(pairs.length).toBeGreaterThan(20);
  });
});

describe("trap 42 as it was found", () => {
  test("a source of another voltage on either pole of a battery's or a panel's terminals is told, of theirs it is not", () => {
    let poles = 0;
    for (const board of boardIds()) {
      const plan = planOn(board, ["quillmarsh-reserve"]);
      const { battery, solar } = plan.bundle.board;
      const pack = plan.bundle.devices.find(({ id }) => id === "quillmarsh-reserve")!;
      for (const inlet of [battery, solar])
        for (const terminal of inlet ? [inlet.plus, inlet.minus] : [])
          for (const volts of [...[inlet!.volts].flat(), 48]) {
            const [rail] = pack.provides;
            const devices = plan.wiring.devices.map((device) => ({
              ...device,
              profile: { ...device.profile, provides: [{ ...rail!, volts }] },
            }));
            const wiring = { ...plan.wiring, devices };
            const found = wiredAs({ ...plan, wiring }, { "battery-1/plus": terminal });
            const told = found.findings.some(({ code }) => code === "source-of-another-voltage");
            expect([board, terminal, volts, told]).toEqual([board, terminal, volts, volts === 48]);
            poles += 1;
          }
    }
    expect(poles).toBeGreaterThan(10);
  });
});

describe("a log of what was found", () => {
  test("is refused where it names a terminal the board lacks, and forgotten by a later landing", () => {
    const { given, sheet } = planOn("quillmarsh-tandrel", ["lumbrick-halt"]);
    const entry = (to: string, minute: number) => ({
      id: `w${minute}`,
      at: `2026-10-06T09:0${minute}:00.000Z`,
      by: "Ivet Carrandine",
      kind: "wired" as const,
      moves: moves({ "stop-button-1/a": to }),
    });
    const found = planJob({ ...given, log: [entry("C4", 1)] });
    expect(found.now.sits).toEqual(sitsOf({ "stop-button-1/a": "C4" }));
    const land = sheet.find((step) => step.cores?.some((id) => id.startsWith("stop-button-1.a")))!;
    const landed = {
      ...entry("off", 2),
      kind: "step" as const,
      step: land.id,
      station: land.station,
      title: land.title,
      outcome: "seen" as const,
      effects: [...land.effects],
    };
    const { moves: _moves, ...step } = landed;
    expect(planJob({ ...given, log: [entry("C4", 1), step] }).now.sits).toEqual({});
  });
});
