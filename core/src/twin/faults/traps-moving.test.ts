import { contactForce } from "../../motion/index.ts";
import type { JobPlan } from "../../plan/index.ts";
import { does, goes } from "../../testing/hands.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { placeOf, type Brain } from "../brain/index.ts";
import { binds, edgeOf } from "../plant/index.ts";
import { twinRuns, type Twin } from "../step/index.ts";
import { putFaults, type TwinFault } from "./index.ts";

const speedMemory = (board: Brain["board"]) => board.memories.find(({ holds }) => holds === "speed")!.id;

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
