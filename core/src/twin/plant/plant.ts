import {
  advance,
  driveAmps,
  drivePush,
  edgeMassKg,
  holds,
  type Body,
  type Contact,
  type Drive,
  type DriveLine,
  type Motion,
} from "../../motion/index.ts";
import type { Which } from "../brain/index.ts";
import { overlapContacts, takesSides, type Overlap } from "./overlap.ts";

/** One leaf with its drive, as it truly stands; what the board knows of it is another matter. */
export interface PlantLeaf {
  readonly body: Body;
  readonly line: DriveLine;
  readonly motion: Motion;
  readonly drive: Drive;
  /** Stops at its ends, and what stands in its way. */
  stops: readonly Contact[];
  obstacles: Contact[];
}

/** Everything that moves on a site. */
export interface Plant {
  readonly leaves: Partial<Record<Which, PlantLeaf>>;
  readonly overlap?: Overlap;
}

/** Way of a leaf's edge from closed, m. */
export const edgeOf = ({ body, motion }: PlantLeaf): number => motion.at * body.arm;

/** Current a leaf's drive draws, A. */
export const ampsOf = ({ line, drive, motion }: PlantLeaf): number => driveAmps(line, drive, motion.speed);

/** A stop of a stiffness at the edge, damped so that what runs into it comes back with about a third of its speed. */
export const stopAt = (body: Body, at: number, stops: Contact["stops"], stiffness: number): Contact => ({
  ...{ at, stops, stiffness },
  damping: 0.7 * Math.sqrt(stiffness * edgeMassKg(body)),
});

/** Moves everything on by some seconds. */
export function plantMoves({ leaves, overlap }: Plant, seconds: number): void {
  const { first, second } = leaves;
  const touch =
    overlap && first && second
      ? overlapContacts(overlap, edgeOf(first), edgeOf(second))
      : { overlapping: [], overlapped: [] };
  for (const [leaf, beside] of [
    [first, touch.overlapping],
    [second, touch.overlapped],
  ] as const) {
    if (!leaf) continue;
    const { body, line, motion, drive, stops, obstacles } = leaf;
    const held = holds(line, drive);
    if (held && motion.speed === 0) continue;
    const contacts = obstacles.length || beside.length ? [...stops, ...obstacles, ...beside] : stops;
    advance(body, motion, { drive: (speed) => drivePush(line, drive, speed), held, contacts }, seconds);
  }
  if (overlap && first && second) takesSides(overlap, edgeOf(first), edgeOf(second));
}
