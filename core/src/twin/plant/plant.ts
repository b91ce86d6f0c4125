import {
  advance,
  contactForce,
  driveAmps,
  edgeMassKg,
  frictionAt,
  holds,
  type Body,
  type Contact,
  type Drive,
  type DriveLine,
  type Motion,
  type Push,
  type Site,
} from "../../motion/index.ts";
import type { Which } from "../brain/index.ts";
import { apart, binds, overlapContacts, takesSides, type Overlap } from "./overlap.ts";

/** A leaf as it is hung on a site: in what wind, on what slope, how worn, and whether it rubs somewhere. */
export interface Hung extends Site {
  /** Part of its way at which it rubs, and how much of its drive's thrust that takes. */
  rubs?: { at: number; part: number };
}

/** One leaf with its drive, as it truly stands; what the board knows of it is another matter. */
export interface PlantLeaf {
  /** The drive that moves it, among the devices of the job. */
  readonly device: string;
  body: Body;
  /** What its drive does by its sheet, and what it does at the end of its leads. */
  readonly rated: DriveLine;
  readonly line: DriveLine;
  /** −1 where the drive is mounted so that what opens another leaf closes this one. */
  hand: 1 | -1;
  /** What reaches it of its drive's push at most, N or N·m: all, or less where a belt slips. */
  grip: number;
  /** Friction beside that of another leaf like it: 1 alike. */
  wears: number;
  /** Its body as it would be hung otherwise. */
  readonly hung: (how?: Hung) => Body;
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
  at,
  stops,
  stiffness,
  damping: 0.7 * Math.sqrt(stiffness * edgeMassKg(body)),
});

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
  return Math.abs(push) <= frictionAt(body, motion.at);
}

/** True where nothing moves and nothing will by itself: every drive is off, and friction or its drive holds each leaf. */
export function isAtRest(plant: Plant): boolean {
  const { first, second } = plant.leaves;
  const touch = touching(plant);
  return (!first || stands(first, touch.overlapping)) && (!second || stands(second, touch.overlapped));
}

/** Moves one leaf on, with what the other does to it. */
function moves(leaf: PlantLeaf, beside: readonly Contact[], seconds: number): void {
  if (stands(leaf, beside)) return;
  const { line, drive, stops, obstacles } = leaf;
  const held = holds(line, drive);
  const contacts = obstacles.length || beside.length ? [...stops, ...obstacles, ...beside] : stops;
  advance(leaf.body, leaf.motion, { drive: leaf.pushes, held, contacts }, seconds);
}

/** Moves everything on by some seconds. */
export function plantMoves(plant: Plant, seconds: number): void {
  const { leaves, overlap } = plant;
  const { first, second } = leaves;
  const touch = touching(plant);
  if (first) moves(first, touch.overlapping, seconds);
  if (second) moves(second, touch.overlapped, seconds);
  if (overlap && first && second) takesSides(overlap, edgeOf(first), edgeOf(second));
}

/** True while the overlapped leaf lies on the strip of the other. */
export function leavesBind({ overlap, leaves: { first, second } }: Plant): boolean {
  return overlap !== undefined && first !== undefined && second !== undefined
    ? binds(overlap, edgeOf(first), edgeOf(second))
    : false;
}
