import { boardIds, bundleOn, demoBundle, shippedBoard, usualDevices } from "../../testing/shipped.ts";
import { kineticJoules } from "../../motion/index.ts";
import { ampsOf, binds, edgeOf, plantMoves, plantOf, type Plant, type PlantLeaf } from "./index.ts";

const step = 0.005;
const driving = boardIds().filter((id) => shippedBoard(id).leaves > 0);
const leavesOf = ({ leaves }: Plant): PlantLeaf[] => Object.values(leaves);

const drives = (leaf: PlantLeaf, part: number) => (leaf.drive.volts = part * leaf.line.ratedVolts);

/** Seconds until all leaves stand, at most these; each driven to one side. */
function runs(plant: Plant, toward: 1 | -1 | 0, most: number, leaves = leavesOf(plant)): number {
  for (const leaf of leaves) drives(leaf, toward);
  let still = 0;
  for (let n = 1; n <= most / step; n += 1) {
    plantMoves(plant, step);
    still = leavesOf(plant).every(({ motion, body }) => Math.abs(motion.speed * body.arm) < 1e-4)
      ? still + 1
      : 0;
    if (still * step > 0.5) return n * step;
  }
  return most;
}

describe("what stands on the site of every board", () => {
  test.each(driving)(
    "%s: its drives open and close it, in a time its sheet allows, and it rests on its stops",
    (id) => {
      const plant = plantOf(bundleOn(id, usualDevices(id)));
      expect(leavesOf(plant).length).toBeGreaterThan(0);
      const seconds = runs(plant, 1, 90);
      for (const leaf of leavesOf(plant)) {
        const { body, line, motion } = leaf;
        expect(motion.at).toBeGreaterThan(body.travel * 0.999);
        expect(motion.at).toBeLessThan(body.travel * 1.06);
        // Never quicker than with nothing to move.
        expect(seconds).toBeGreaterThan(body.travel / line.freeSpeed);
        // Pressed on its stop it draws what its sheet says of one held still.
        expect(ampsOf(leaf) / line.stallAmps).toBeCloseTo(1, 2);
      }
      // Of a pair the overlapped one goes first.
      const { second } = plant.leaves;
      if (second) runs(plant, -1, 3, [second]);
      expect(runs(plant, -1, 90)).toBeLessThan(90);
      for (const { motion, body } of leavesOf(plant)) {
        expect(motion.at).toBeLessThan(body.travel * 0.001);
        expect(motion.at).toBeGreaterThan(-body.travel * 0.06);
        expect(kineticJoules(body, motion.speed)).toBeLessThan(1e-6);
      }
    },
  );

  test("a drive gives its sheet's thrust and speed at the middle of the volts it allows, and less in proportion below", () => {
    const bundle = bundleOn("osierbeck-quernish", usualDevices("osierbeck-quernish"));
    for (const device of bundle.devices)
      for (const supply of device.supplies)
        if (device.kind === "drive" && supply.duty === "drive") supply.volts = { min: 18, max: 30 };
    const [leaf] = leavesOf(plantOf(bundle));
    const { line, drive, pushes } = leaf!;
    const standing = (volts: number) => {
      drive.volts = volts;
      return pushes(0).push;
    };
    expect(standing(24)).toBeCloseTo(line.thrust, 9);
    expect(standing(12)).toBeCloseTo(line.thrust / 2, 9);
  });

  test.each(driving)("%s: let go half-way it comes to rest, and a drive that locks holds it there", (id) => {
    const plant = plantOf(bundleOn(id, usualDevices(id)));
    for (const leaf of leavesOf(plant)) leaf.motion.at = leaf.body.travel / 2;
    const locking = leavesOf(plant).filter(({ line }) => line.selfLocking);
    runs(plant, 0, 60);
    for (const { motion, body } of locking) expect(motion.at).toBe(body.travel / 2);
  });
});

describe("two leaves that lie over one another", () => {
  const pair = () => {
    const plant = plantOf(demoBundle("ropewalk"));
    const { first, second } = plant.leaves;
    return { plant, first: first!, second: second! };
  };

  test("the overlapped one closed first, both close; the other way round it lies on the strip, and they bind", () => {
    for (const order of ["right", "wrong"] as const) {
      const { plant, first, second } = pair();
      runs(plant, 1, 90);
      const [leads, follows] = order === "right" ? [second, first] : [first, second];
      drives(follows, 0);
      runs(plant, -1, 90, [leads]);
      runs(plant, -1, 90, [follows]);
      const gap = edgeOf(second) - edgeOf(first);
      expect([order, binds(plant.overlap!, edgeOf(first), edgeOf(second))]).toEqual([
        order,
        order === "wrong",
      ]);
      if (order === "right") expect(Math.abs(gap)).toBeLessThan(0.005);
      else expect(gap).toBeGreaterThan(0.015);
    }
  });

  test("from closed the overlapped one cannot open first: it takes the other along, or stands where a drive locks that", () => {
    for (const selfLocking of [false, true]) {
      const { plant, first, second } = pair();
      Object.assign(first.line, { selfLocking });
      first.drive.brake = false;
      drives(second, 1);
      for (let n = 0; n < 600; n += 1) plantMoves(plant, step);
      if (selfLocking) expect(edgeOf(second)).toBeLessThan(0.005);
      else expect(edgeOf(second)).toBeGreaterThan(0.1);
      // Pushed along as far as the strip reaches.
      expect(edgeOf(first)).toBeGreaterThan(selfLocking ? -0.005 : 0.15);
    }
  });
});
