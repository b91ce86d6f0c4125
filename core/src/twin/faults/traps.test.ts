import { planJob } from "../../plan/index.ts";
import { does, goes, kinds, rests } from "../../testing/hands.ts";
import { bundleOn, demoBundle, shippedBoard } from "../../testing/shipped.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { twinAt } from "../at.ts";
import { brainDoes, placeOf, works, type Brain } from "../brain/index.ts";
import { faceOf } from "../brain/face.ts";
import { binds, edgeOf } from "../plant/index.ts";
import { makeProcedure, startOf } from "../runner/index.ts";
import { twinDoes, twinOf, twinRuns, type Twin } from "../step/index.ts";
import { sends } from "../traffic/index.ts";
import { putFaults, type TwinFault } from "./index.ts";

/** A solar kit in full sun, its battery half empty: what it gains in an hour, as a part of what it holds. */
function gained(faults: TwinFault[], change: (brain: Brain) => void = () => {}): number {
  const plan = planJob(demoBundle("eelfence"));
  const it = twinAt(plan, { ...plan.ahead, powered: true });
  const store = it.store!;
  store.charge = 0.5;
  store.sun = 1;
  change(it.brain);
  putFaults(it, faults);
  twinRuns(it, 3_600);
  return store.charge - 0.5;
}

describe("the sun and the battery", () => {
  test("trap 5: a panel the wrong way round charges nothing", () => {
    const exchanged: TwinFault[] = [
      { kind: "core-elsewhere", device: "panel", pin: "plus", terminal: "S2" },
      { kind: "core-elsewhere", device: "panel", pin: "minus", terminal: "S1" },
    ];
    expect(gained([])).toBeGreaterThan(0.1);
    expect(gained(exchanged)).toBeLessThan(0);
    expect(gained([{ kind: "panel-reversed" }])).toBeLessThan(0);
  });

  test("trap 6: with the transport jumper left on the panel is cut off", () => {
    const left = gained([], (brain) => brainDoes(brain, { set: { control: "JP", to: "on" } }));
    expect(left).toBeLessThan(0);
  });
});

describe("a board that sleeps", () => {
  const asleep = () => {
    const it = knowingTwin(usualPlan("marlstreet-pewlark"));
    it.brain.held.remotes = 1;
    twinRuns(it, 90);
    it.brain.events = [];
    return it;
  };
  const sends1 = { remote: { sends: "press", times: 1, says: "press the button" } } as const;

  test("trap 7: a remote that was learned in it is not heard while it sleeps", () => {
    const it = asleep();
    expect(it.site.asleep).toBe(true);
    does(it, sends1);
    rests(it, 10);
    expect(placeOf(it.brain)).toBe("closed");
    // A key wakes it, and then it hears.
    goes(it, "open");
    goes(it, "close");
    does(it, sends1);
    rests(it);
    expect(placeOf(it.brain)).toBe("open");
  });

  test("a beam that was broken while it slept is read before anything moves: the command is refused, not begun", () => {
    const it = knowingTwin(usualPlan("marlstreet-pewlark"), { leaf: "open" });
    twinRuns(it, 90);
    expect(it.site.asleep).toBe(true);
    twinDoes(it, (brain) => works(brain, "eye", true));
    it.brain.events = [];
    does(it, { command: "close" });
    twinRuns(it, 5);
    expect(kinds(it)).toContain("held-off");
    expect(kinds(it)).not.toContain("moves");
  });

  test("trap 31: a detector on a rail that lives only while it is awake misses who comes while it sleeps", () => {
    const bundle = bundleOn("tessock-umbrick", ["tessock-gate-board", "marram-hoop"]);
    const plan = planJob(bundle);
    const hoop = bundle.job.devices.find(({ device }) => device.id === "marram-hoop")!.id;
    const { pins, supplies, contacts } = plan.wiring.devices.find(({ id }) => id === hoop)!.profile;
    expect(pins.length).toBeGreaterThan(3);
    const fed = (plus: string, minus: string): TwinFault[] => [
      { kind: "core-elsewhere", device: hoop, pin: supplies[0]!.pins.plus, terminal: plus },
      { kind: "core-elsewhere", device: hoop, pin: supplies[0]!.pins.minus, terminal: minus },
      { kind: "core-elsewhere", device: hoop, pin: contacts[0]!.pins[0], terminal: "C1" },
      { kind: "core-elsewhere", device: hoop, pin: contacts[0]!.pins[1], terminal: "C2" },
    ];
    const heard = (faults: TwinFault[]) => {
      const it = twinAt(plan, { ...plan.ahead, powered: true });
      putFaults(it, faults);
      twinRuns(it, 120);
      expect(it.site.asleep).toBe(true);
      it.brain.events = [];
      sends(it.traffic, { is: "vehicle", goes: "out" });
      twinRuns(it, 20);
      return kinds(it).includes("commanded");
    };
    expect(heard(fed("E1", "E2"))).toBe(false);
    // On what always lives it is heard.
    expect(heard(fed("G1", "G2"))).toBe(true);
  });
});

describe("what is set", () => {
  /** A gate with its dials and switches as planned, closing by itself where they say so. */
  const gate = (): Twin => knowingTwin(usualPlan("quillmarsh-tandrel"));

  test("trap 14: a switch that was moved and not taken closes nothing by itself", () => {
    const it = gate();
    does(it, { set: { control: "S1", to: "on" } });
    goes(it, "open");
    twinRuns(it, 200);
    expect(placeOf(it.brain)).toBe("open");
    expect(faceOf(it.brain).lamps.unread).toBe("blinking");
    does(it, { press: { key: "TAKE", times: 3 } });
    goes(it, "close");
    goes(it, "open");
    twinRuns(it, 200);
    expect(placeOf(it.brain)).toBe("closed");
  });

  test("trap 13: a dial of two functions under its threshold has the leaves set off together, and they bind", () => {
    const closes = (at: string) => {
      const it = gate();
      does(it, { set: { control: "V3", to: at } }, { hold: { key: "TAKE", seconds: 3 } });
      // The overlapped leaf is a little heavier to move, as of two leaves one always is.
      putFaults(it, [{ kind: "dry-hinge", leaf: "second", wear: 8 }]);
      goes(it, "open");
      does(it, { command: "close" });
      const { first, second } = it.plant.leaves;
      let bound = false;
      for (let n = 0; n < 600 && it.brain.run && !bound; n += 1) {
        twinRuns(it, 0.1);
        bound = binds(it.plant.overlap!, edgeOf(first!), edgeOf(second!));
      }
      return bound;
    };
    expect(closes("7:15")).toBe(true);
    expect(closes("10:00")).toBe(false);
  });

  test("trap 34: a new board shows its red lamp, and it is no fault: it goes dark once travel is learned", () => {
    const board = shippedBoard("quillmarsh-tandrel");
    const fitting = { firmware: board.firmware.at(-1)!, leaves: 2, cards: [] };
    const plan = usualPlan(board.id, 2);
    const learn = board.procedures.find(({ kind }) => kind === "learn")!;
    const brain = startOf(board, fitting, learn, plan.controls.positions);
    twinOf(brain, plan);
    expect(faceOf(brain).lamps.travel).toBe("lit");
    makeProcedure(brain, learn, () => {});
    expect(faceOf(brain).lamps.travel).toBe("dark");
  });

  test("trap 43: a key moves the gate outside of the menus, and inside changes an entry", () => {
    const it = knowingTwin(usualPlan("osierbeck-quernish"));
    does(it, { hold: { key: "UP", seconds: 2 } });
    expect(kinds(it)).toContain("moves");
    it.brain.events = [];
    does(it, { hold: { key: "SET", seconds: 8 } });
    expect(it.brain.panel.path.length).toBeGreaterThan(0);
    does(it, { press: { key: "UP", times: 1 } });
    expect(kinds(it)).not.toContain("moves");
  });

  test("trap 41: after a reset that forgot the travel a leaf meets its end without slowing down", () => {
    const fastest = (forget: boolean) => {
      const it = knowingTwin(usualPlan("pengrath-drawmel"));
      if (forget) does(it, { hold: { key: "READ", seconds: 12 } });
      does(it, { command: "open" });
      const { motion, body } = it.plant.leaves.first!;
      let most = 0;
      for (let n = 0; n < 2_000 && it.brain.run; n += 1) {
        twinRuns(it, 0.05);
        if (motion.at > 0.97 * body.travel) most = Math.max(most, motion.speed);
      }
      return { most, learned: it.brain.held.travel };
    };
    const [known, forgotten] = [fastest(false), fastest(true)];
    expect([known.learned, forgotten.learned]).toEqual([1, 0]);
    expect(forgotten.most).toBeGreaterThan(1.5 * known.most);
  });
});
