import type { DeviceProfile } from "../../device/index.ts";
import type { DriveLine } from "../../motion/index.ts";
import { radians } from "../../quantity/index.ts";

/** What a drive's sheet leaves out; assumed until a profile says it. */
const assumed = {
  /** From the hinge to where a strut pulls, m. */
  strutArmM: 0.16,
  /** Radius on which a shaft or a drum lifts, m. */
  drumM: 0.09,
  /** A shaft with nothing to lift, rad/s. */
  shaftSpeed: 3.8,
  thrust: 400,
  speed: 0.15,
  stallAmps: 10,
  volts: 24,
};

/** How a drive moves its leaf: what turns about a hinge, what runs along a way, what is lifted by a shaft. */
export type Manner = "hinge" | "way" | "shaft";

/** What a drive does at its leaf, by its sheet and by how it takes hold: thrust and speed on the leaf's own coordinate. */
export function lineOf({ drives, supplies }: DeviceProfile, manner: Manner): DriveLine {
  const motor = supplies.find(({ duty }) => duty === "drive");
  const force = drives?.thrustNewtons;
  const torque = drives?.torqueNewtonMetres;
  const alongSpeed = drives?.freeSpeedMmPerS === undefined ? undefined : drives.freeSpeedMmPerS / 1_000;
  const turning =
    drives?.freeSpeedDegreesPerS === undefined ? undefined : radians(drives.freeSpeedDegreesPerS);
  const arm = manner === "hinge" ? assumed.strutArmM : assumed.drumM;
  const along = {
    thrust: force ?? (torque === undefined ? assumed.thrust : torque / arm),
    freeSpeed: alongSpeed ?? (torque === undefined ? assumed.speed : (turning ?? assumed.shaftSpeed) * arm),
  };
  const about = {
    thrust: torque ?? along.thrust * arm,
    freeSpeed: turning ?? along.freeSpeed / arm,
  };
  return {
    ...(manner === "hinge" ? about : along),
    // The middle of what its sheet allows is what it is rated for.
    ratedVolts: motor ? (motor.volts.min + motor.volts.max) / 2 : assumed.volts,
    selfLocking: drives?.selfLocking ?? false,
    stallAmps: drives?.stallMilliamps === undefined ? assumed.stallAmps : drives.stallMilliamps / 1_000,
  };
}
