import { deviceFrom, readDevice, type DeviceProfile } from "../../device/index.ts";
import { planJob } from "../../plan/index.ts";
import { pinNode, nodeKey, terminalNode } from "../../node/index.ts";
import { bundleOn, deviceText, planOn, refusal } from "../../testing/shipped.ts";
import { moves, target } from "../../testing/keys.ts";

/** Drives for mains, each on the board it is made for, with the terminal of its protective earth. */
const onMains = [
  ["furzel-slathorn", "furzel-rack", "L3"],
  ["hexby-hoistrum", "hexby-shaft", "L4"],
  ["tarn-grellock", "tarn-drum", "N3"],
] as const;

describe("the protective earth of what stands on mains", () => {
  test.each(onMains)(
    "on %s, %s has it on the board's own, in its cable and as a step",
    (board, device, earth) => {
      const { wiring, sheet, findings } = planOn(board, [device]);
      const core = wiring.cores.find(({ device: of, colour }) => of !== undefined && colour === "GNYE");
      expect([core?.pinLabel, core && target(core)]).toEqual(["protective earth", earth]);
      const motor = wiring.cables.find(({ ends }) => ends.some(({ part }) => part === core?.part));
      expect(motor).toMatchObject({ cores: 4, spares: 0, carries: "mains" });
      expect(sheet.some((step) => step.cores?.includes(core!.id))).toBe(true);
      expect(findings.map(({ code }) => code)).not.toContain("earth-unknown");
    },
  );

  test("a drive on extra-low voltage has none, and none is asked for", () => {
    for (const [board, device] of [
      ["osierbeck-quernish", "marlstreet-strut"],
      ["pengrath-drawmel", "pengrath-haul"],
    ] as const) {
      const { wiring, findings } = planOn(board, [device]);
      expect(wiring.cores.filter(({ device: of, colour }) => of !== undefined && colour === "GNYE")).toEqual(
        [],
      );
      expect(findings.map(({ code }) => code)).not.toContain("earth-unknown");
    }
  });

  test.each(onMains)(
    "on %s, a drive whose data name none is told, unless it is doubly insulated",
    (board, device, earth) => {
      const told = (change: (profile: DeviceProfile) => void) => {
        const given = bundleOn(board, [device]);
        change(given.devices.find(({ id }) => id === device)!);
        return planJob(given).findings.filter(({ code }) => code === "earth-unknown");
      };
      expect(told((profile) => delete profile.earth)).toMatchObject([{ values: { terminal: earth } }]);
      expect(
        told((profile) => {
          delete profile.earth;
          profile.doubleInsulated = true;
        }),
      ).toEqual([]);
    },
  );

  test("a board without an earth terminal sends it to the spur", () => {
    const given = bundleOn("tarn-grellock", ["tarn-drum"]);
    delete given.board.supply.poles.earth;
    const { cores } = planJob(given).wiring;
    expect(cores.filter(({ colour }) => colour === "GNYE").map(target)).toEqual(["earth"]);
  });

  test.each(onMains)("on %s, found elsewhere it is a danger of its own, and power waits", (board, device) => {
    const { given, wiring } = planOn(board, [device]);
    const core = wiring.cores.find(({ device: of, colour }) => of !== undefined && colour === "GNYE")!;
    const pin = pinNode(core.device!, core.pin);
    const seats = [
      "off" as const,
      terminalNode(
        wiring.cores.find(({ device: of }) => of === core.device)!.to.kind === "terminal"
          ? target(wiring.cores.find(({ device: of }) => of === core.device)!)
          : "",
      ),
    ];
    for (const to of seats) {
      const entry = {
        id: "w1",
        at: "2026-10-06T09:01:00.000Z",
        by: "Ivet Carrandine",
        kind: "wired" as const,
        moves: [{ pin, to }],
      };
      const plan = planJob({ ...given, log: [entry] });
      expect([nodeKey(pin), plan.dangers.map(({ code }) => code)]).toEqual([
        nodeKey(pin),
        expect.arrayContaining(["earth-not-joined"]),
      ]);
    }
    expect(moves({})).toEqual([]);
  });

  test("a device made from its plate has an earth over 50 V a.c. or 120 V d.c., and not at them (IEC 60364-4-41, from memory)", () => {
    const made = (kind: "ac" | "dc" | "either", maxVolts: number) =>
      deviceFrom({
        name: "Lamp",
        kind: "courtesy-light",
        supply: {
          duty: "courtesy-light",
          kind,
          minVolts: 10,
          maxVolts,
          restMilliamps: 0,
          workingMilliamps: 100,
          lives: "any",
        },
      }).earth;
    expect([made("ac", 50), made("ac", 51), made("dc", 120), made("dc", 121)]).toEqual([
      undefined,
      "earth",
      undefined,
      "earth",
    ]);
    // What takes either is on mains by the stricter of the two.
    expect([made("either", 50), made("either", 51)]).toEqual([undefined, "earth"]);
  });

  test("a profile whose earth is no pin of it, or that is doubly insulated as well, is refused", () => {
    const text = deviceText("tarn-drum");
    const read = (from: string, to: string) => refusal(() => readDevice(text.replace(from, to), "drum.yaml"));
    expect(read("earth: pe", "earth: px")).toMatch(/earth: expected a pin of this device/);
    expect(read("earth: pe", "earth: com")).toMatch(
      /earth: expected a pin that carries no current, found "com"/,
    );
    expect(read("earth: pe", "earth: pe\ndoubleInsulated: true")).toMatch(
      /doubleInsulated: expected no protective earth on what is doubly insulated/,
    );
  });
});
