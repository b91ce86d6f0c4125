import type { Gesture } from "../../board/index.ts";
import { contactForce } from "../../motion/index.ts";
import { planJob, type JobPlan } from "../../plan/index.ts";
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

const does = (it: Twin, ...gestures: Gesture[]) => {
  for (const gesture of gestures) twinDoes(it, (brain) => void brainDoes(brain, gesture));
};
const rests = (it: Twin, most = 200) => {
  for (let n = 0; n < most * 10 && (n < 2 || it.brain.run); n += 1) twinRuns(it, 0.1);
};
const goes = (it: Twin, command: "open" | "close" | "step") => {
  does(it, { command });
  rests(it);
};
const kinds = ({ brain }: Twin) => brain.events.map(({ kind }) => kind);
const speedMemory = (board: Brain["board"]) => board.memories.find(({ holds }) => holds === "speed")!.id;

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

describe("force", () => {
  const dry: TwinFault = { kind: "dry-hinge", leaf: "first", wear: 20 };

  /** A leaf that closes on something hard with so much force: how it pushes in the end, N; undefined where it stalls before. */
  function met(force: number, faults: TwinFault[]): number | undefined {
    const it = knowingTwin(usualPlan("quillmarsh-tandrel", 1), { behaviour: "force", is: force });
    goes(it, "open");
    putFaults(it, faults);
    const leaf = it.plant.leaves.first!;
    const contact = { at: 0.8, stops: "closing" as const, stiffness: 5e5, damping: 0 };
    leaf.obstacles = [...leaf.obstacles, contact];
    does(it, { command: "close" });
    let pushes = 0;
    for (let n = 0; n < 6_000 && it.brain.run?.toward === "closed"; n += 1) {
      twinRuns(it, 0.005);
      if (it.brain.run?.toward === "closed")
        pushes = contactForce(contact, edgeOf(leaf), leaf.motion.speed * leaf.body.arm);
    }
    return pushes > 0 ? pushes : undefined;
  }

  test("trap 26: dry hinges stop a leaf; more force moves it and pushes harder on whoever is met once they are greased", () => {
    const [little, much] = [25, 100];
    expect(met(little, [dry])).toBeUndefined();
    expect(met(much, [dry])).toBeGreaterThan(0);
    const [cured, raised] = [met(little, [])!, met(much, [])!];
    expect(cured).toBeGreaterThan(0);
    expect(raised).toBeGreaterThan(1.3 * cured);
  });
});

const onBattery = (charge: number) => (it: Twin) => {
  it.brain.mains = false;
  it.store!.charge = charge;
};

/** How a leaf went from end to end: its speed and its current, a tenth of a second apart, from setting off to standing. */
interface Trace {
  speeds: number[];
  amps: number[];
}

function trace(
  plan: JobPlan,
  faults: TwinFault[],
  change: (it: Twin) => void = () => {},
): Trace & { it: Twin } {
  const it = knowingTwin(plan);
  putFaults(it, faults);
  change(it);
  does(it, { command: "open" });
  const leaf = it.plant.leaves.second ?? it.plant.leaves.first!;
  const speeds: number[] = [];
  const amps: number[] = [];
  for (let n = 0; n < 3_000 && it.brain.run; n += 1) {
    twinRuns(it, 0.1);
    const { motion, drive, line } = leaf;
    if (drive.volts === 0) continue;
    speeds.push(motion.speed / line.freeSpeed);
    amps.push(
      (line.stallAmps * Math.abs(drive.volts)) / line.ratedVolts -
        (line.stallAmps * motion.speed) / line.freeSpeed,
    );
  }
  return { speeds, amps, it };
}

const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/** What a trace tells: what the leaf does as it runs evenly, and whether its speed falls or its current rises somewhere. */
function told({ speeds, amps }: Trace) {
  const even = (list: number[]) => list.slice(8, Math.floor(list.length * 0.75));
  const early = speeds.slice(8, 14);
  return {
    speed: middle(even(speeds)),
    amps: middle(even(amps)),
    sets: Math.max(...early.slice(0, 3)),
    peak: Math.max(...even(amps)) / middle(even(amps)),
  };
}

describe("damaged speed data", () => {
  const plan = usualPlan("osierbeck-quernish");
  const damage = (it: Twin) => it.brain.damaged.add(speedMemory(it.brain.board));

  test("it sets off, falters and creeps; a power cycle does not cure it, its own reset does, and the first cycle is slow (traps 23, 24)", () => {
    const it = knowingTwin(usualPlan("osierbeck-quernish", 1));
    const seconds = () => {
      const from = it.ticks;
      goes(it, "open");
      const took = (it.ticks - from) / 200;
      goes(it, "close");
      return took;
    };
    const sound = seconds();
    damage(it);
    expect(seconds()).toBeGreaterThan(1.8 * sound);
    does(it, { power: "off" }, { wait: 10 }, { power: "on" }, { wait: 10 });
    expect(seconds()).toBeGreaterThan(1.8 * sound);
    does(it, { trip: { input: "limit-1-open", seconds: 12 } });
    expect(it.brain.held[speedMemory(it.brain.board)]).toBe(0);
    const first = seconds();
    expect(first).toBeGreaterThan(1.3 * sound);
    seconds();
    expect(seconds()).toBeCloseTo(sound, 0);
  });

  test("of a pair the follower creeps, comes last where it must be first, and they bind (trap 25)", () => {
    const it = knowingTwin(plan);
    goes(it, "open");
    damage(it);
    does(it, { command: "close" });
    const { first, second } = it.plant.leaves;
    let bound = false;
    for (let n = 0; n < 2_000 && it.brain.run && !bound; n += 1) {
      twinRuns(it, 0.1);
      bound = binds(it.plant.overlap!, edgeOf(first!), edgeOf(second!));
    }
    expect(bound).toBe(true);
  });

  test("it is told apart from a dry hinge, a bent leaf and a low battery by speed and current alone", () => {
    const sound = told(trace(plan, []));
    const damaged = told(trace(plan, [], damage));
    const dry = told(trace(plan, [{ kind: "dry-hinge", leaf: "second", wear: 15 }]));
    const bent = told(trace(plan, [{ kind: "bent-leaf", leaf: "second", at: 0.4, part: 0.3 }]));
    const nearly = trace(plan, [], onBattery(0.58));
    const low = trace(plan, [], onBattery(0.3));
    // Damaged data: it sets off as ever, then creeps, and draws no more for it.
    expect(damaged.speed).toBeLessThan(0.5 * sound.speed);
    expect(damaged.amps).toBeLessThan(1.2 * sound.amps);
    // A dry hinge: as quick or nearly, and more current all the way.
    expect(dry.amps).toBeGreaterThan(2 * sound.amps);
    expect(dry.speed).toBeGreaterThan(0.6 * sound.speed);
    expect(dry.peak).toBeLessThan(1.5);
    // A bent leaf: as ever but at one place.
    expect(bent.peak).toBeGreaterThan(2);
    expect(bent.speed).toBeGreaterThan(0.9 * sound.speed);
    // A battery that nears its end is made up for as long as that can be; then the board finds it, and acts.
    expect(told(nearly).speed).toBeGreaterThan(0.95 * sound.speed);
    expect(told(nearly).amps).toBeLessThan(1.2 * sound.amps);
    expect(nearly.it.store!.volts).toBeLessThan(24);
    expect([nearly.it.brain.battery, low.it.brain.battery]).toEqual(["good", "low"]);
    expect(placeOf(low.it.brain)).toBe("between");
  });
});
