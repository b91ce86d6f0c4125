import { behaviourText, type BoardProfile } from "../../board/index.ts";
import { measureCircuit, situations, type Situation } from "../../circuit/index.ts";
import { deviceFrom, type DeviceProfile } from "../../device/index.ts";
import { boardOnSite, draftInstance, type JobBundle } from "../../job/index.ts";
import { planJob } from "../../plan/index.ts";
import { supply, target } from "../../testing/keys.ts";
import { bundleOn } from "../../testing/shipped.ts";
import { asPlanned, planWiring } from "../plan.ts";

function planned(given: JobBundle, change: (board: BoardProfile) => void = () => {}) {
  change(given.board);
  const plan = planJob(given);
  const [first] = plan.wiring.placements;
  const device = first!.demand.device.id;
  const part = first!.demand.kind === "supply" ? first!.demand.supply.id : "";
  const at = asPlanned(plan.bundle.board, plan.wiring);
  const fedIn = situations.filter(
    (situation: Situation) =>
      measureCircuit(at, { situation, celsius: 20 }).supplies[supply(`${device}/${part}`)]?.state ===
      "supplied",
  );
  return {
    ...plan,
    place: first!.place,
    why: first!.why,
    fedIn,
    codes: plan.findings.map(({ code }) => code),
    cores: plan.wiring.cores
      .filter((core) => core.device === device)
      .map((core) => `${core.pinLabel}>${target(core)}`),
    set: (id: string) => plan.controls.controls.find((control) => control.id === id)?.planned,
  };
}

const on = (board: string, device: string) => bundleOn(board, [device]);

/** A job with a device that someone knows from its plate alone. */
function own(board: string, profile: DeviceProfile): JobBundle {
  const given = bundleOn(board, []);
  const job = { ...given.job, devices: [draftInstance(given.job, profile)] };
  return { ...given, job, devices: [...given.devices, profile] };
}

const lamp230 = deviceFrom({
  name: "Yard lamp",
  kind: "courtesy-light",
  supply: {
    duty: "courtesy-light",
    kind: "ac",
    minVolts: 220,
    maxVolts: 240,
    restMilliamps: 0,
    workingMilliamps: 450,
    lives: "any",
  },
});

describe("a lock on a board that has no lock terminals, but relays that can be set for one", () => {
  test("a strike is fed while the leaf sets off, by a relay set to the lock, on two boards", () => {
    for (const [board, setting, shows, bridge] of [
      ["osierbeck-quernish", "relay-one", "1", "bridge from J1>E1"],
      ["hexby-hoistrum", "n40", "05", "bridge from RA1>V1"],
    ] as const) {
      const plan = planned(on(board, "brackwater-haspet"));
      expect(plan.codes).not.toContain("device-unplaced");
      expect(plan.fedIn).toEqual(["opening"]);
      expect(plan.cores).toContain(bridge);
      const control = plan.controls.controls.find(({ gives }) =>
        gives.some(({ wanted }) => wanted === "lock"),
      );
      expect([control?.id, control?.planned]).toEqual([setting, [shows]]);
    }
    expect(behaviourText("relay-1", "lock")).toBe("lock impulse");
  });

  test("a magnet that always holds hangs on the resting contact, and is let go by the relay", () => {
    const plan = planned(on("hexby-hoistrum", "brackwater-clasp"));
    expect(plan.cores.sort()).toEqual(["bridge from RA1>V1", "coil +>RA3", "coil −>V2"]);
    expect(plan.fedIn).toEqual(situations.filter((each) => each !== "opening"));
    expect(plan.why).toContain("by its resting contact, so that it lives until the relay pulls in");
  });

  test("where the relay has none, or bears too little, that is told in its figures", () => {
    const reason = (given: JobBundle, change?: (board: BoardProfile) => void) =>
      planned(given, change).findings.find(({ code }) => code === "device-unplaced")?.values.reason;
    expect(reason(on("osierbeck-quernish", "brackwater-clasp"))).toBe(
      "Relay 1 could be set for it, but has no resting contact: it must live until it is let go.",
    );
    const weak = (most: object) => (board: BoardProfile) =>
      board.outputs.forEach((output) => Object.assign(output, most));
    expect(reason(on("osierbeck-quernish", "brackwater-haspet"), weak({ maxMilliamps: 379 }))).toBe(
      "Relay 1 could be set for it, but bears 379 mA of the 380 mA it draws.",
    );
    expect(reason(on("osierbeck-quernish", "brackwater-haspet"), weak({ maxVolts: 23 }))).toBe(
      "Relay 1 could be set for it, but bears 23 V of the 24 V it wants.",
    );
  });
});

test("a relay's feed may have the least and the most volts a load bears, and nothing beyond", () => {
  const kindAt = (min: number, max: number) => {
    const given = on("osierbeck-quernish", "brackwater-haspet");
    const latch = given.devices.find(({ id }) => id === "brackwater-haspet")!;
    latch.supplies[0]!.volts = { min, max };
    return planned(given).place?.kind;
  };
  expect([kindAt(24, 30), kindAt(20, 24), kindAt(24, 24)]).toEqual(["relay", "relay", "relay"]);
  expect([kindAt(24.5, 30), kindAt(20, 23.5)]).toEqual([undefined, undefined]);
});

describe("two lamps on three poles", () => {
  test("go by two relays, red while the leaf moves and green while it is open", () => {
    const plan = planned(on("hexby-hoistrum", "hexby-pair"));
    expect(plan.cores.sort()).toEqual([
      "bridge from RA1>V1",
      "bridge from RB1>V1",
      "green>RA2",
      "red>RB2",
      "return>V2",
    ]);
    expect(plan.codes).not.toContain("device-unplaced");
    // Each relay's bridge belongs to the lamp that it lights.
    const bridges = plan.wiring.cores.flatMap(({ from, pin }) =>
      from.kind === "terminal" ? [[from.terminal, pin]] : [],
    );
    expect(bridges).toEqual([
      ["RB1", "red"],
      ["RA1", "green"],
    ]);
    const given = plan.controls.controls.flatMap(({ gives }) =>
      gives.flatMap(({ behaviour, given: value }) =>
        behaviour.startsWith("relay") ? [[behaviour, value]] : [],
      ),
    );
    expect(given).toEqual([
      ["relay-1", "traffic-go"],
      ["relay-2", "traffic-wait"],
    ]);
    // Both lamps count on the rail while either may be lit.
    expect(plan.wiring.rails.find(({ rails }) => rails.includes("dc"))!.milliamps).toMatchObject({
      awake: 0,
      opening: 90,
      open: 90,
    });
  });

  test("stay on the terminals made for them where the board has those, and want both relays where not", () => {
    expect(planned(on("tarn-grellock", "tarn-signal")).place?.kind).toBe("rail");
    const one = planned(on("hexby-hoistrum", "hexby-pair"), (board) => board.outputs.splice(0, 1));
    expect(one.codes).toContain("device-unplaced");
  });

  test("take both relays, or leave them to two others: whichever places more", () => {
    const { wiring } = planJob(bundleOn("hexby-hoistrum", ["hexby-pair", "tallow-clangle"]));
    expect(wiring.cost.unplaced).toBe(1);
    const [told] = wiring.findings.filter(({ code }) => code === "device-unplaced");
    expect(told?.values.reason).toBe("Relay A and Relay B are taken by Pair of signal lamps, 24 V.");
  });
});

describe("a dry contact fed from outside", () => {
  test("a lamp for mains hangs on the board's own spur, earthed, in a cable told as mains", () => {
    const plan = planned(own("tarn-grellock", lamp230));
    expect(plan.cores.sort()).toEqual([
      "bridge from R1>live",
      "protective earth>N3",
      "~ return>neutral",
      "~>R2",
    ]);
    expect(plan.fedIn).toEqual(["opening", "open", "closing"]);
    expect(plan.wiring.cables.map(({ carries, spares }) => [carries, spares])).toEqual([["mains", 0]]);
    expect(plan.why).toContain("fed from the mains spur");
    expect(plan.codes).not.toContain("mains-beside-low");
  });

  test("and not by a relay that bears 30 V, nor where the spur has several voltages or none", () => {
    const placed = (given: JobBundle, change: (board: BoardProfile) => void = () => {}) =>
      planned(given, change).place?.kind;
    expect(placed(own("osierbeck-quernish", lamp230))).toBeUndefined();
    expect(
      placed(own("tarn-grellock", lamp230), (board) => (board.supply.volts = [115, 230])),
    ).toBeUndefined();
    expect(
      placed(own("tarn-grellock", lamp230), (board) => delete board.supply.poles.neutral),
    ).toBeUndefined();
  });

  test("a strike by way of a relay hangs on a supply unit where that alone has its voltage", () => {
    const unit: DeviceProfile = {
      ...bundleOn("quillmarsh-tandrel", ["brackwater-turn"]).devices.find(
        ({ id }) => id === "brackwater-turn",
      )!,
      id: "unit",
      name: "Supply unit, 12 V",
    };
    unit.supplies = unit.supplies.map((each) => ({ ...each, ownSpur: true }));
    unit.provides = unit.provides.map((rail) => ({ ...rail, volts: 12, limitMilliamps: 2_000 }));
    const given = bundleOn("hexby-hoistrum", ["brackwater-spring"]);
    const job = { ...given.job, devices: [...given.job.devices, draftInstance(given.job, unit)] };
    const wiring = planWiring({
      job,
      board: boardOnSite(job, given.board),
      devices: [...given.devices, unit],
    });
    const [strike] = wiring.placements;
    expect(strike?.place?.kind).toBe("relay");
    // Where no relay is left, that it hangs there alone is told.
    const board = { ...boardOnSite(job, given.board), outputs: [] };
    const alone = planWiring({ job, board, devices: [...given.devices, unit] });
    expect(alone.placements[0]?.place?.kind).toBe("made");
    expect(alone.findings.map(({ code }) => code)).toContain("lock-not-switched");
    // A unit that is made for other loads feeds no lock, by a relay or without.
    unit.provides = unit.provides.map((rail) => ({ ...rail, feeds: ["accessory"] }));
    const without = planWiring({
      job,
      board: boardOnSite(job, given.board),
      devices: [...given.devices, unit],
    });
    expect(without.placements[0]?.place).toBeUndefined();
    const out = unit.provides[0]!.pins;
    const mine = wiring.cores.filter(({ device }) => device === strike!.demand.device.id).map(target);
    expect(mine.sort()).toEqual(
      [`${job.devices[1]!.id}/${out.minus}`, `${job.devices[1]!.id}/${out.plus}`, "RA2"].sort(),
    );
  });
});
