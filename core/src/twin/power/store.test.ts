import { planJob } from "../../plan/index.ts";
import { demoBundle } from "../../testing/shipped.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { twinAt } from "../at.ts";
import { putFaults } from "../faults/index.ts";
import { brainDoes } from "../brain/index.ts";
import { twinDoes, twinRuns, type Twin } from "../step/index.ts";

/** A board on its battery, the mains gone, holding such a part. */
function onBattery(id: string, charge: number): Twin & { store: NonNullable<Twin["store"]> } {
  const it = knowingTwin(usualPlan(id));
  twinDoes(it, (brain) => void brainDoes(brain, { fails: "mains" }));
  const { store } = it;
  if (!store) throw new Error(`no battery on ${id}`);
  store.charge = charge;
  return Object.assign(it, { store });
}

const board = "marlstreet-pewlark";

describe("a battery", () => {
  test("gives what hangs on it, and holds so much less: current over capacity, by the hour", () => {
    const it = onBattery(board, 0.9);
    twinRuns(it, 1);
    const { amps, ampHours, charge } = it.store;
    expect(amps).toBeGreaterThan(0);
    const hours = 0.25;
    twinRuns(it, hours * 3_600);
    expect(charge - it.store.charge).toBeCloseTo((amps * hours) / ampHours, 3);
  });

  test("is filled by the mains, up to all it holds", () => {
    const it = onBattery(board, 0.9);
    twinDoes(it, (brain) => void brainDoes(brain, { returns: "mains" }));
    twinRuns(it, 60);
    expect(it.store.amps).toBeLessThan(0);
    expect(it.store.charge).toBeGreaterThan(0.9);
    twinRuns(it, 6 * 3_600);
    expect(it.store.charge).toBe(1);
  });

  test("falls in volts as it empties, and the more is drawn: it is warned of first, acted on later, not at once", () => {
    const full = onBattery(board, 1);
    twinRuns(full, 1);
    expect([full.brain.warns, full.brain.battery]).toEqual([false, "good"]);
    const warned = onBattery(board, 0.4);
    twinRuns(warned, 10);
    expect([warned.brain.warns, warned.brain.battery]).toEqual([true, "good"]);
    const low = onBattery(board, 0.2);
    twinRuns(low, 2);
    expect([low.brain.warns, low.brain.battery]).toEqual([true, "good"]);
    twinRuns(low, 3);
    expect(low.brain.battery).toBe("low");
    expect(full.store.volts).toBeGreaterThan(warned.store.volts);
    expect(warned.store.volts).toBeGreaterThan(low.store.volts);
    // Filled again it is good, though not at the very volts at which it was low.
    low.store.charge = 0.9;
    twinRuns(low, 5);
    expect(low.brain.battery).toBe("good");
  });
});

/** A battery that holds so much that it has these volts at rest, by a straight line from 0.88 to 1.07 of the nominal ones. */
const chargeFor = (part: number) => (part - 0.88) / (1.07 - 0.88);

describe("a battery that nears its end", () => {
  test("is good again only well above the volts at which it was low, and once it has been so for a while", () => {
    const it = onBattery(board, 0);
    twinRuns(it, 6);
    expect(it.brain.battery).toBe("low");
    const { falls, battery } = it.brain.board;
    const acts = falls.find(({ on }) => on === "battery-low")!.actVolts! / Math.max(...battery!.volts);
    // Above it by one part in a hundred, the draw of a board at rest aside: still low.
    it.store.charge = chargeFor(acts * 1.012);
    twinRuns(it, 20);
    expect(it.brain.battery).toBe("low");
    it.store.charge = 1;
    twinRuns(it, 1);
    expect(it.brain.battery).toBe("low");
    twinRuns(it, 4);
    expect(it.brain.battery).toBe("good");
  });

  test("gives its drives no more than it has, and they go the slower", () => {
    const seconds = (charge: number | undefined) => {
      const it = charge === undefined ? knowingTwin(usualPlan(board)) : onBattery(board, charge);
      twinDoes(it, (brain) => void brainDoes(brain, { command: "open" }));
      let ran = 0;
      for (; ran < 90 && (ran < 1 || it.brain.run); ran += 0.5) {
        if (charge !== undefined) it.store!.charge = charge;
        // What it acts at is another matter.
        it.brain.battery = "good";
        it.brain.fall = undefined;
        twinRuns(it, 0.5);
        const given = Object.values(it.plant.leaves).map(({ drive }) => Math.abs(drive.volts));
        if (charge !== undefined) expect(Math.max(...given)).toBeLessThanOrEqual(it.store!.volts + 1e-9);
      }
      return ran;
    };
    expect(seconds(0)).toBeGreaterThan(seconds(undefined));
  });

  test("lets its board go dark under four fifths of its volts, and not above", () => {
    const it = onBattery(board, 0);
    for (const leaf of Object.values(it.plant.leaves)) {
      // Drives that draw far more than the battery can give, as they stand.
      Object.assign(leaf.rated, { stallAmps: 60 });
      leaf.obstacles.push({ at: 0.01, stops: "opening", stiffness: 1e6, damping: 1e4 });
    }
    const nominal = it.store.nominal;
    let least = Infinity;
    twinDoes(it, (brain) => void brainDoes(brain, { command: "open" }));
    for (let n = 0; n < 100 && it.brain.power; n += 1) {
      twinRuns(it, 0.1);
      if (it.brain.power) least = Math.min(least, it.store.volts);
    }
    expect([it.brain.power, least >= 0.8 * nominal]).toEqual([false, true]);
    const rests = onBattery(board, 0);
    twinRuns(rests, 5);
    expect(rests.store.volts).toBeLessThan(0.9 * nominal);
    expect(rests.brain.power).toBe(true);
  });
});

describe("a panel", () => {
  /** What the battery of the job on the sun gets in some seconds. */
  const gets = (change: (it: Twin) => void = () => {}) => {
    const plan = planJob(demoBundle("eelfence"));
    const it = twinAt(plan, { ...plan.ahead, powered: true });
    const store = it.store!;
    store.charge = 0.5;
    store.sun = 1;
    change(it);
    twinRuns(it, 20);
    return store.charge - 0.5;
  };

  test("fills it by the light it gets; the wrong way round, or in the dark, it does not", () => {
    const full = gets();
    const half = gets(({ store }) => void (store!.sun = 0.5));
    const none = gets(({ store }) => void (store!.sun = 0));
    const turned = gets((it) => putFaults(it, [{ kind: "panel-reversed" }]));
    expect(full).toBeGreaterThan(0);
    expect(half - none).toBeCloseTo((full - none) / 2, 6);
    expect(none).toBeLessThan(0);
    // Put in, the fault takes all that the panel gave.
    expect(turned).toBeCloseTo(none, 9);
  });

  test("gives nothing where one of its cores is off", () => {
    const pins = ["plus", "minus"] as const;
    for (const which of pins) {
      const without = gets((it) => {
        const { id, profile } = it.site.wired.devices.find(({ profile: { provides } }) =>
          provides.some(({ feeds }) => feeds.includes("panel")),
        )!;
        putFaults(it, [{ kind: "core-off", device: id, pin: profile.provides[0]!.pins[which] }]);
      });
      expect([which, without < 0]).toEqual([which, true]);
    }
  });
});
