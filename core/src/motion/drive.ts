/** What a drive can do, at the leaf: thrust and speed fall and rise with its volts as a d.c. motor's do. */
export interface DriveLine {
  /** Held still at its rated volts, N or N·m. */
  thrust: number;
  /** With nothing to move at its rated volts, m/s or rad/s. */
  freeSpeed: number;
  ratedVolts: number;
  /** It holds the leaf without power, whatever pushes. */
  selfLocking: boolean;
  /** Held still, A. */
  stallAmps: number;
}

/**
 * The same drive at the end of leads and a source with so many ohms, its volts those of the source: what the current takes
 * away on the way lessens its thrust, and takes nothing from its free speed.
 */
export function behindOhms(rated: DriveLine, ohms: number): DriveLine {
  const less = 1 + (rated.stallAmps * ohms) / rated.ratedVolts;
  return { ...rated, thrust: rated.thrust / less, stallAmps: rated.stallAmps / less };
}

/** What the board does with a drive. */
export interface Drive {
  /** Volts at its leads; positive opens. Nothing: it is off. */
  volts: number;
  /** The board gives way above this, N or N·m. */
  limit: number;
  /** Its leads are joined while it is off: it brakes itself. */
  brake: boolean;
}

/** A force that falls with speed: `push − drag · speed`, N or N·m. */
export interface Push {
  push: number;
  drag: number;
}

const nothing: Push = { push: 0, drag: 0 };

/**
 * What a drive does to the leaf at a speed: T = T0·(u − ω/ω0) with u the part of its rated volts, never more than the
 * board's limit either way. Off, with its leads joined, it brakes by its own drag; with its leads open it does nothing.
 */
export function drivePush(line: DriveLine, { volts, limit, brake }: Drive, speed: number): Push {
  const drag = line.thrust / line.freeSpeed;
  if (volts === 0 && !brake) return nothing;
  const push = (line.thrust * volts) / line.ratedVolts;
  const force = push - drag * speed;
  if (force > limit) return { push: limit, drag: 0 };
  if (force < -limit) return { push: -limit, drag: 0 };
  return { push, drag };
}

/** True where the drive holds the leaf: off, and its gear cannot be pushed backwards. */
export const holds = ({ selfLocking }: DriveLine, { volts }: Drive): boolean => selfLocking && volts === 0;

/** Current it draws at a speed, A: in proportion to what it pushes. */
export function driveAmps(line: DriveLine, drive: Drive, speed: number): number {
  if (drive.volts === 0) return 0;
  const { push, drag } = drivePush(line, drive, speed);
  return (line.stallAmps * Math.abs(push - drag * speed)) / line.thrust;
}
