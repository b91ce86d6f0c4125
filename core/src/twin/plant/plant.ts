import {
  advance,
  contactForce,
  driveAmps,
  edgeMassKg,
  holds,
  type Body,
  type Contact,
  type Drive,
  type DriveLine,
  type Motion,
  type Push,
} from "../../motion/index.ts";
import type { Which } from "../brain/index.ts";
import { overlapContacts, takesSides, type Overlap } from "./overlap.ts";

/** One leaf with its drive, as it truly stands; what the board knows of it is another matter. */
export interface PlantLeaf {
  readonly body: Body;
  readonly line: DriveLine;
  readonly motion: Motion;
  readonly drive: Drive;
  /** What the drive does at a speed, as it is driven just now. */
  readonly pushes: (speed: number) => Push;
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

const apart: ReturnType<typeof overlapContacts> = { overlapping: [], overlapped: [] };

/** What the leaves of a pair do to one another where they stand. */
const touching = ({ leaves: { first, second }, overlap }: Plant): typeof apart =>
  overlap && first && second ? overlapContacts(overlap, edgeOf(first), edgeOf(second)) : apart;

/** True where a leaf stands and nothing that pushes it is more than what holds it. */
function stands(leaf: PlantLeaf, beside: readonly Contact[]): boolean {
  const { body, motion, drive, line, stops, obstacles } = leaf;
  if (motion.speed !== 0 || drive.volts !== 0) return false;
  if (holds(line, drive)) return true;
  const edge = edgeOf(leaf);
  let push = body.pull(motion.at);
  for (const contacts of [stops, obstacles, beside])
    for (const contact of contacts) push += body.arm * contactForce(contact, edge, 0);
  return Math.abs(push) <= body.friction;
}

/** True where nothing moves and nothing will by itself: every drive is off, and friction or its drive holds each leaf. */
export function isAtRest(plant: Plant): boolean {
  const { first, second } = plant.leaves;
  const touch = touching(plant);
  return (!first || stands(first, touch.overlapping)) && (!second || stands(second, touch.overlapped));
}

/** Moves everything on by some seconds. */
export function plantMoves(plant: Plant, seconds: number): void {
  const {
    leaves: { first, second },
    overlap,
  } = plant;
  const touch = touching(plant);
  for (const [leaf, beside] of [
    [first, touch.overlapping],
    [second, touch.overlapped],
  ] as const) {
    if (!leaf) continue;
    const { body, line, motion, drive, pushes, stops, obstacles } = leaf;
    const held = holds(line, drive);
    if (held && motion.speed === 0) continue;
    const contacts = obstacles.length || beside.length ? [...stops, ...obstacles, ...beside] : stops;
    advance(body, motion, { drive: pushes, held, contacts }, seconds);
  }
  if (overlap && first && second) takesSides(overlap, edgeOf(first), edgeOf(second));
}
