import { cases } from "../testing/sample.ts";
import fc from "fast-check";
import { radians } from "../quantity/index.ts";
import { integrated } from "../testing/ode.ts";
import {
  advance,
  behindOhms,
  contactForce,
  driveAmps,
  drivePush,
  edgeMassKg,
  holds,
  kineticJoules,
  liftingLeaf,
  partingPair,
  partsOf,
  pushedSash,
  slidingLeaf,
  swingLeaf,
  windPascals,
  type Body,
  type Contact,
  type Drive,
  type DriveLine,
  type Forces,
  type Motion,
} from "./index.ts";

const step = 0.005;
const nothing: Forces = { drive: () => ({ push: 0, drag: 0 }), contacts: [] };

/** Moves a body on, a step at a time, and tells each. */
function runs(
  body: Body,
  from: Motion,
  forces: Forces,
  seconds: number,
  each = step,
  tells?: (at: Motion) => void,
) {
  const motion = { ...from };
  for (let n = 0; n < Math.round(seconds / each); n += 1) {
    advance(body, motion, forces, each);
    tells?.(motion);
  }
  return motion;
}

const smooth = (body: Body): Body => ({ ...body, friction: 0 });
const swing: DriveLine = {
  thrust: 240,
  freeSpeed: radians(8),
  ratedVolts: 24,
  selfLocking: false,
  stallAmps: 11.5,
};
const full: Drive = { volts: 24, limit: Infinity, brake: true };
const driven = (line: DriveLine, drive: Drive): Forces => ({
  drive: (speed) => drivePush(line, drive, speed),
  contacts: [],
});

describe("against closed forms", () => {
  test("a mass on a spring peaks at v·√(k·m) and is in touch for π·√(m/k); hinged, at its tip, by √3 less (CHECKS, elastic impact)", () => {
    for (const massKg of [5, 20, 200])
      for (const stiffness of [5e4, 5e5]) {
        const wall: Contact = { at: 0.3, stops: "closing", stiffness, damping: 0 };
        const strike = (body: Body, v: number) => {
          let peak = 0;
          let touched = 0;
          const parts = step / 400;
          const motion = { at: 0.31 / body.arm, speed: -v / body.arm };
          runs(body, motion, { ...nothing, contacts: [wall] }, 0.4, parts, ({ at, speed }) => {
            const force = contactForce(wall, at * body.arm, speed * body.arm);
            peak = Math.max(peak, force);
            if (force > 0) touched += parts;
          });
          return { peak, touched };
        };
        const sliding = smooth(slidingLeaf({ widthM: 2, heightM: 2, massKg }, { travel: 2 }));
        const hinged = smooth(swingLeaf({ widthM: 1.2, heightM: 2, massKg }, { travel: 1.5 }));
        const peak = 0.2 * Math.sqrt(stiffness * massKg);
        const slid = strike(sliding, 0.2);
        expect(Math.abs(slid.peak / peak - 1)).toBeLessThan(0.001);
        expect(Math.abs(slid.touched / (Math.PI * Math.sqrt(massKg / stiffness)) - 1)).toBeLessThan(0.02);
        expect(Math.abs((strike(hinged, 0.2).peak * Math.sqrt(3)) / peak - 1)).toBeLessThan(0.001);
      }
  });

  test("at the twin's own step the peak is off by under 2 in 1 000, a leaf of 5 kg on 500 N/mm too, wherever the step falls", () => {
    for (const massKg of [5, 20, 200])
      for (const early of [0, 0.2, 0.4, 0.6, 0.8]) {
        const wall: Contact = { at: 0.3, stops: "closing", stiffness: 5e5, damping: 0 };
        const body = smooth(slidingLeaf({ widthM: 2, heightM: 2, massKg }, { travel: 2 }));
        const motion: Motion = { at: 0.302 + early * 0.2 * step, speed: -0.2 };
        let deepest = 0;
        for (let n = 0; n < 40; n += 1) {
          const parts = partsOf(body, motion, [wall], step);
          for (let m = 0; m < parts; m += 1) {
            advance(body, motion, { ...nothing, contacts: [wall] }, step / parts);
            deepest = Math.max(deepest, 0.3 - motion.at);
          }
        }
        const peak = 0.2 * Math.sqrt(5e5 * massKg);
        expect([massKg, early, Math.abs((5e5 * deepest) / peak - 1) < 0.002]).toEqual([massKg, early, true]);
      }
  });

  test("pushed on by 150 N, 200 kg at 0.2 m/s on 500 N/mm peak at 2156 N: F0 + √(F0² + k·m·v²) (CHECKS, from memory)", () => {
    const wall: Contact = { at: 0.3, stops: "closing", stiffness: 5e5, damping: 0 };
    const body = smooth(slidingLeaf({ widthM: 2, heightM: 2, massKg: 200 }, { travel: 2 }));
    let peak = 0;
    const forces: Forces = { drive: () => ({ push: -150, drag: 0 }), contacts: [wall] };
    // It sets on at the wall with 0.2 m/s: what the drive adds on the way there would be speed.
    runs(body, { at: 0.3, speed: -0.2 }, forces, 0.06, step / 100, ({ at }) => {
      peak = Math.max(peak, contactForce(wall, at, 0));
    });
    expect(peak).toBeCloseTo(150 + Math.sqrt(150 ** 2 + 5e5 * 200 * 0.2 ** 2), 0);
    expect(Math.round(peak)).toBe(2156);
  });

  test("what only friction brakes goes v²/(2·a) further, and then stands (CHECKS, constant deceleration)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.double({ min: 20, max: 900, noNaN: true }),
        fc.double({ min: 5, max: 400, noNaN: true }),
        (v, massKg, friction) => {
          const body = { ...slidingLeaf({ widthM: 3, heightM: 2, massKg }, { travel: 100 }), friction };
          const a = friction / massKg;
          const { at, speed } = runs(body, { at: 0, speed: v }, nothing, v / a + 0.1);
          expect(speed).toBe(0);
          // It stands at a step's end: off by what it goes in one.
          expect(Math.abs(at - (v * v) / (2 * a))).toBeLessThan(v * step);
        },
      ),
      { numRuns: cases(12), seed: 5 },
    );
  });

  test("a drive brings a mass up to speed as v0·(1 − e^(−t/τ)), τ = m·v0/F0, and stalls at what it can push (d.c. motor, CHECKS)", () => {
    const line: DriveLine = {
      thrust: 900,
      freeSpeed: 0.24,
      ratedVolts: 24,
      selfLocking: false,
      stallAmps: 16,
    };
    const body = smooth(slidingLeaf({ widthM: 4, heightM: 1.8, massKg: 350 }, { travel: 10 }));
    const tau = (350 * 0.24) / 900;
    for (const t of [0.05, 0.1, 0.5, 2]) {
      const { speed } = runs(body, { at: 0, speed: 0 }, driven(line, full), t);
      expect(Math.abs(speed - 0.24 * (1 - Math.exp(-t / tau)))).toBeLessThan(0.24 * 0.001);
    }
    // Half its volts: half its thrust and half its speed.
    const half = runs(body, { at: 0, speed: 0 }, driven(line, { ...full, volts: 12 }), 3);
    expect(half.speed).toBeCloseTo(0.12, 6);
    const limited = runs(body, { at: 0, speed: 0 }, driven(line, { ...full, limit: 100 }), 0.4);
    expect(limited.speed).toBeCloseTo((100 / 350) * 0.4, 6);
  });

  test("wind on a hinged leaf: q·h·w²/2, 250 Pa on 1.6 × 1.5 m give 450 N·m… of a solid leaf, where it stands across (CHECKS, EN 1991-1-4 from memory)", () => {
    expect(windPascals(20)).toBe(250);
    const leaf = swingLeaf(
      { widthM: 1.5, heightM: 1.6, massKg: 90 },
      { travel: radians(90), infill: "solid" },
      { windMetresPerSecond: 20 },
    );
    expect(leaf.pull(0)).toBeCloseTo(450, 9);
    // From the other side it pushes the leaf shut.
    const from = { windMetresPerSecond: -20 };
    const behind = swingLeaf(
      { widthM: 1.5, heightM: 1.6, massKg: 90 },
      { travel: radians(90), infill: "solid" },
      from,
    );
    expect(behind.pull(0)).toBeCloseTo(-450, 9);
    // Turned into the wind it has none.
    expect(Math.abs(leaf.pull(radians(90)))).toBeLessThan(1e-9);
    expect(swingLeaf({ widthM: 1.5, heightM: 1.6, massKg: 90 }, { travel: 1.5 }).inertia).toBeCloseTo(
      67.5,
      9,
    );
  });

  test("a stop pushes and never pulls: a leaf that leaves its damped stop loses nothing to it", () => {
    const leaf = slidingLeaf({ widthM: 3, heightM: 1.8, massKg: 200 }, { travel: 3 }, { wear: 0 });
    for (const stops of ["closing", "opening"] as const) {
      const sign = stops === "closing" ? 1 : -1;
      const stop = { at: 1, stops, stiffness: 1e5, damping: 2e5 };
      const from = { at: 1 - sign * 0.001, speed: sign * 0.5 };
      const left = runs(leaf, from, { ...nothing, contacts: [stop] }, step);
      expect([stops, left.speed * sign >= 0.5]).toEqual([stops, true]);
    }
  });

  test("in balance a lifting door stays wherever it is let go; with weak springs it falls from below and stays above", () => {
    const door = (springs: number) => liftingLeaf({ massKg: 250 }, { travel: 3.9 }, { springs });
    for (const at of [0.2, 1.9, 3.7]) expect(runs(door(1), { at, speed: 0 }, nothing, 2).at).toBe(at);
    expect(runs(door(0.7), { at: 2, speed: 0 }, nothing, 0.5).at).toBeLessThan(2);
    expect(runs(door(0.7), { at: 3.8, speed: 0 }, nothing, 2).at).toBe(3.8);
    expect(runs(door(1.3), { at: 1, speed: 0 }, nothing, 0.5).at).toBeGreaterThan(1);
  });

  test("a pair on one belt is one coordinate of both masses, and no slope moves it", () => {
    const size = { widthM: 1, heightM: 2.2, massKg: 80 };
    const pair = partingPair(size, { travel: 0.9 }, { slope: 0.05 });
    expect([pair.inertia, edgeMassKg(pair), pair.pull(0.4)]).toEqual([160, 160, -0]);
  });
});

test("a drive held still draws its stall current, in proportion to its volts and to the limit; running free or off none", () => {
  const amps = (drive: Partial<Drive>, speed: number) => driveAmps(swing, { ...full, ...drive }, speed);
  expect(amps({}, 0)).toBe(11.5);
  expect(amps({ volts: 12 }, 0)).toBe(5.75);
  expect(amps({ volts: -24 }, 0)).toBe(11.5);
  expect(amps({}, swing.freeSpeed)).toBeCloseTo(0, 12);
  expect(amps({ limit: 60 }, 0)).toBeCloseTo(11.5 / 4, 12);
  expect(amps({ volts: 0 }, 0.1)).toBe(0);
  // Leads joined it brakes itself; open it runs on. Only one that locks holds, and only while it is off.
  expect(drivePush(swing, { ...full, volts: 0 }, 0.1).drag).toBeGreaterThan(0);
  expect(drivePush(swing, { ...full, volts: 0, brake: false }, 0.1)).toEqual({ push: 0, drag: 0 });
  const locking = { ...swing, selfLocking: true };
  expect([
    holds(locking, full),
    holds(locking, { ...full, volts: 0 }),
    holds(swing, { ...full, volts: 0 }),
  ]).toEqual([...[false, true, false]]);
});

test("behind long leads a drive pushes and draws as much less as Ohm's law has it, and runs free as fast", () => {
  // By hand: 24 V and 12 A are a winding of 2 Ω; with 0.5 Ω before it 24 / 2.5 = 9.6 A flow, four fifths.
  const { thrust, stallAmps, freeSpeed } = behindOhms({ ...swing, stallAmps: 12 }, 0.5);
  expect([stallAmps, thrust, freeSpeed]).toEqual([
    expect.closeTo(9.6, 9),
    expect.closeTo(192, 9),
    swing.freeSpeed,
  ]);
  expect(behindOhms(swing, 0)).toEqual(swing);
});

test("a sash pushed out at its lower edge is closed by its weight about its hinge: m·g/2 times the sine of its angle", () => {
  // By hand: half of 24 kg hangs on the edge; 0.4 m of stroke on 0.8 m of height are 0.5 rad.
  const wall = pushedSash({ heightM: 0.8, massKg: 24 }, { travel: 0.6 });
  expect(wall.pull(0.4)).toBeCloseTo(-12 * 9.81 * Math.sin(0.5), 1);
  const roof = pushedSash({ heightM: 0.8, massKg: 24 }, { travel: 0.6, pitch: Math.PI / 6 });
  expect(roof.pull(0)).toBeCloseTo(-12 * 9.81 * 0.5, 1);
});

test("a step is parted as soon as a leaf's edge may meet something stiff within it, as far as the edge goes in that time", () => {
  // By hand: 0.5 rad/s at 2 m go 5 mm in 5 ms.
  const leaf = { ...swingLeaf({ widthM: 2, heightM: 1.5, massKg: 80 }, { travel: 1.5 }), arm: 2 };
  const ahead = (metres: number): Contact => ({
    ...{ at: 1 + metres, stops: "opening", stiffness: 5e5, damping: 0 },
  });
  const motion = { at: 0.5, speed: 0.5 };
  expect(partsOf(leaf, motion, [ahead(0.004)], 0.005)).toBeGreaterThan(1);
  expect(partsOf(leaf, motion, [ahead(0.006)], 0.005)).toBe(1);
  expect(partsOf(leaf, motion, [], 0.005)).toBe(1);
});

describe("against a general package (odex)", () => {
  /** A body and its drive as the package takes them. Nothing turns round and no limit is met: no corners. */
  const equation =
    (body: Body, line: DriveLine, volts: number) =>
    (_: number, [at, speed]: readonly number[]) => [
      speed!,
      (body.pull(at!) +
        (line.thrust * volts) / line.ratedVolts -
        (line.thrust / line.freeSpeed) * speed! -
        body.friction) /
        body.inertia,
    ];

  const size = { widthM: 1.8, heightM: 1.7, massKg: 120 };
  const gentle = { windMetresPerSecond: -9, slope: 0.01 };
  const cases: [string, Body, DriveLine][] = [
    [
      "a swing leaf against wind and slope",
      swingLeaf(size, { travel: radians(90), infill: "solid" }, gentle),
      swing,
    ],
    [
      "a sliding leaf uphill",
      slidingLeaf({ widthM: 4, heightM: 1.8, massKg: 350 }, { travel: 3.8 }, { slope: 0.02 }),
      { thrust: 940, freeSpeed: 0.24, ratedVolts: 24, selfLocking: false, stallAmps: 16 },
    ],
    [
      "a lifting door with weak springs",
      liftingLeaf({ massKg: 250 }, { travel: 3.9 }, { springs: 0.8 }),
      { thrust: 1_900, freeSpeed: 0.3, ratedVolts: 24, selfLocking: true, stallAmps: 9.8 },
    ],
    [
      "a rooflight on its chain",
      pushedSash({ heightM: 0.8, massKg: 20 }, { travel: 0.4, pitch: radians(30) }),
      { thrust: 280, freeSpeed: 0.011, ratedVolts: 24, selfLocking: true, stallAmps: 1.6 },
    ],
  ];

  test.each(cases)("%s: place to 1 mm and speed to 1 in 1 000, all the way", (_, body, line) => {
    for (const seconds of [0.5, 2, 6]) {
      const [at, speed] = integrated([0, 0], seconds, equation(body, line, 24));
      if (at! > body.travel) continue;
      const ours = runs(body, { at: 0, speed: 0 }, driven(line, full), seconds);
      expect(Math.abs(ours.at - at!) * body.arm).toBeLessThan(0.001);
      expect(Math.abs(ours.speed / speed! - 1)).toBeLessThan(0.001);
    }
  });

  test.each(cases)("%s: half the step changes the place by under 0.2 mm", (_, body, line) => {
    const way = (each: number) => runs(body, { at: 0, speed: 0 }, driven(line, full), 3, each).at * body.arm;
    expect(Math.abs(way(step) - way(step / 2))).toBeLessThan(0.0002);
  });
});

describe("energy", () => {
  /** What is stored by weight, springs and wind between closed and a place, J. */
  const stored = (body: Body, at: number) => {
    const parts = 60;
    let sum = 0;
    for (let n = 0; n < parts; n += 1) sum -= (body.pull(((n + 0.5) * at) / parts) * at) / parts;
    return sum;
  };
  const pressed = ({ stiffness, at, stops }: Contact, edge: number) =>
    (stiffness * Math.max(0, stops === "closing" ? at - edge : edge - at) ** 2) / 2;

  test("without friction it is kept to 2 in 1 000 through free flight and bounces; with friction or a damped stop it only falls", () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Body>(
          swingLeaf(
            { widthM: 1.8, heightM: 1.7, massKg: 120 },
            { travel: 1.5, infill: "solid" },
            { windMetresPerSecond: -8 },
          ),
          slidingLeaf({ widthM: 4, heightM: 2, massKg: 350 }, { travel: 3 }, { slope: 0.03 }),
          liftingLeaf({ massKg: 250 }, { travel: 3.9 }, { springs: 0.9 }),
        ),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.constantFrom(0, 1),
        (leaf, part, speed, lossy) => {
          const body = lossy ? leaf : smooth(leaf);
          const stops: Contact[] = [
            { at: 0, stops: "closing", stiffness: 2e5, damping: lossy * 800 },
            { at: body.travel * body.arm, stops: "opening", stiffness: 2e5, damping: lossy * 800 },
          ];
          const energy = ({ at, speed: v }: Motion) =>
            kineticJoules(body, v) +
            stored(body, at) +
            stops.reduce((sum, stop) => sum + pressed(stop, at * body.arm), 0);
          const from = { at: part * body.travel, speed: speed / body.arm };
          const first = energy(from);
          let least = first;
          // Against what moves and is stored at its most.
          const scale = kineticJoules(body, from.speed) + Math.abs(stored(body, body.travel)) + 1;
          runs(body, from, { ...nothing, contacts: stops }, 8, step, (at) => {
            const now = energy(at);
            if (lossy) expect(now).toBeLessThan(least + 0.002 * scale);
            else expect(Math.abs(now - first)).toBeLessThan(0.002 * scale);
            least = Math.min(least, now);
          });
        },
      ),
      { numRuns: cases(8), seed: 9 },
    );
  });

  test("a drive never gives more than its push over its way, and a held body does not stir", () => {
    const body = swingLeaf({ widthM: 1.8, heightM: 1.7, massKg: 120 }, { travel: 1.5 });
    let work = 0;
    let before: Motion = { at: 0, speed: 0 };
    runs(body, before, driven(swing, full), 4, step, (at) => {
      const { push, drag } = drivePush(swing, full, (before.speed + at.speed) / 2);
      work += (push - (drag * (before.speed + at.speed)) / 2) * (at.at - before.at);
      before = { ...at };
      expect(kineticJoules(body, at.speed) + body.friction * at.at).toBeLessThanOrEqual(work * 1.001 + 1e-6);
    });
    const blown = swingLeaf(
      { widthM: 1.8, heightM: 1.7, massKg: 120 },
      { travel: 1.5, infill: "solid" },
      { windMetresPerSecond: 25 },
    );
    expect(runs(blown, { at: 0.2, speed: 0 }, { ...nothing, held: true }, 3)).toEqual({ at: 0.2, speed: 0 });
    expect(runs(blown, { at: 0.2, speed: 0 }, nothing, 1).at).toBeGreaterThan(0.3);
  });
});
