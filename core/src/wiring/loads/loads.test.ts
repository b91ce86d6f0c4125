import { planOn } from "../../testing/shipped.ts";
import { planJob as replanned } from "../../plan/index.ts";
import { made, rail as railKey } from "../../testing/keys.ts";
import { limitKey } from "../place/index.ts";

const railsOf = (board: string, devices: string[], cards?: string[]) =>
  planOn(board, devices, {}, "", undefined, cards).wiring.rails;

const rail = (rails: ReturnType<typeof railsOf>, id: string) =>
  rails.find(({ limit }) => [id, railKey(id), `budget ${id}`].includes(limitKey(limit)))!;

describe("what a limit carries, by situation", () => {
  test("a beacon on a switched rail draws only while the leaf is under way; photocells idle, then work", () => {
    const { milliamps, worst, workingMilliamps } = rail(
      railsOf("osierbeck-quernish", ["oddlume-glance", "oddlume-winkard"]),
      "dc",
    );
    // By hand: sender 28 mA always, receiver 22 mA at rest and 46 mA with its beam broken, beacon 210 mA while moving.
    expect(milliamps).toEqual({
      idle: 50,
      awake: 50,
      testing: 50,
      opening: 284,
      open: 74,
      closing: 284,
      battery: 50,
    });
    expect([worst, workingMilliamps]).toEqual(["opening", 284]);
  });

  test("what a sleeping board's rail feeds draws nothing while it sleeps", () => {
    const { milliamps } = rail(railsOf("marlstreet-pewlark", ["oddlume-glance"]), "devices");
    expect([milliamps.idle, milliamps.awake, milliamps.battery]).toEqual([0, 50, 0]);
  });

  test("a converter draws by what hangs on it, times its form factor, and its idle draw when nothing does", () => {
    const loaded = railsOf("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"]);
    expect(rail(loaded, "lock").milliamps.open).toBeCloseTo(1.7 * 310, 6);
    expect(rail(loaded, made("converter-1/out")).milliamps.open).toBe(310);
    const empty = railsOf("quillmarsh-tandrel", ["brackwater-turn"]);
    expect(rail(empty, "lock").milliamps.open).toBe(60);
    expect(rail(empty, made("converter-1/out")).milliamps.open).toBe(0);
  });

  test("on battery everything of alternating current is dark, a lock behind a converter with it", () => {
    const rails = railsOf("pengrath-drawmel", ["brackwater-turn", "brackwater-clasp", "oddlume-glance"]);
    const converter = rails.find((each) => each.limit.kind === "made-rail")!;
    expect(converter.milliamps.battery).toBe(0);
    expect(converter.milliamps.open).toBe(310);
  });

  test("a battery shows what it has to feed once the mains is gone, and nothing else", () => {
    const rails = railsOf("osierbeck-quernish", ["quillmarsh-reserve", "oddlume-glance", "oddlume-winkard"]);
    const battery = rail(rails, made("battery-1/pack"));
    expect(battery.label).toBe("Reserve battery pack, 24 V");
    expect(battery.milliamps).toMatchObject({ idle: 0, opening: 0, battery: 50 });
  });

  test("a fitted card draws on its budget in every situation", () => {
    const without = rail(railsOf("pengrath-drawmel", ["oddlume-glance"], []), "all");
    const fitted = rail(railsOf("pengrath-drawmel", ["oddlume-glance"], ["twin-radio"]), "all");
    expect(fitted.milliamps.idle - without.milliamps.idle).toBe(35);
    expect(fitted.loads.filter((load) => load.card).map((load) => load.name)).toEqual([
      "Radio A with twin link",
    ]);
  });
});

test("two converters of one kind each carry their own locks, and draw for them alone", () => {
  const { wiring } = planOn("pengrath-drawmel", [
    "brackwater-turn",
    "brackwater-turn",
    "brackwater-clasp",
    "brackwater-clasp",
  ]);
  const limits = wiring.rails.filter(({ loads }) => loads.some((load) => load.device.startsWith("lock-")));
  expect(limits.map(({ loads }) => loads.map((load) => load.device))).toEqual([["lock-1"], ["lock-2"]]);
  // By hand: 310 mA d.c. behind each ask 1.7 times as much of the a.c. side.
  for (const converter of ["converter-1", "converter-2"])
    expect(
      wiring.rails
        .flatMap(({ loads }) => loads)
        .filter((load) => load.device === converter)
        .map((load) => load.milliamps.idle),
    ).toEqual([expect.closeTo(1.7 * 310, 6)]);
});

describe("a surge as something is switched on", () => {
  test("over the limit for a moment is a caution of its own, within it nothing", () => {
    // By hand: at work 210 + 180 = 390 of 400 mA; as the courtesy light comes on, 210 + 300 = 510.
    const { findings } = planOn("furzel-slathorn", ["oddlume-winkard", "oddlume-hearth"]);
    expect(findings.find((each) => each.code === "rail-inrush")?.values).toMatchObject({
      device: "Hearth courtesy light",
      load: "510 mA",
    });
    expect(planOn("furzel-slathorn", ["oddlume-winkard"]).findings.map((each) => each.code)).not.toContain(
      "rail-inrush",
    );
    const { given } = planOn("furzel-slathorn", ["oddlume-winkard"]);
    const ember = given.devices.find((device) => device.id === "oddlume-winkard")!;
    ember.supplies[0]!.milliamps.inrush = 900;
    const { wiring } = replanned(given);
    const inrush = wiring.findings.find((each) => each.code === "rail-inrush");
    expect(inrush).toMatchObject({ severity: "caution", values: { load: "900 mA", limit: "400 mA" } });
  });
});
