import type { DeviceProfile } from "../../device/index.ts";
import {
  comesTo,
  halts,
  inForceOf,
  leavesEnd,
  obstructed,
  type Brain,
  type Leg,
  type Which,
} from "../brain/index.ts";
import { edgeOf, type PlantLeaf } from "../plant/index.ts";

/** What tells a board where a leaf is, and how long it has pushed without moving. */
export interface Sense {
  readonly limits: NonNullable<DeviceProfile["limits"]>;
  /** Seconds it has been driven, and of these how long it has not moved. */
  driven: number;
  stalled: number;
  /** Where its edge was as the run began, m. */
  from: number;
}

/** Parts of the travel and times by which ends are told; assumed. */
const tells = {
  /** A limit, or the learned count of an encoder, is met within this of its end. */
  limit: 0.004,
  /** Further from its end than this a leaf has left it: it may come back from its stop a little. */
  left: 0.03,
  /** A board that knows the travel takes a stall this near to its end for the end. */
  near: 0.05,
  /** Slower than this part of its free speed a leaf does not move. */
  still: 0.02,
  startSeconds: 0.6,
  stallSeconds: 0.3,
};

/** Part of the travel between a leaf and the end it goes to. */
export const partBefore = ({ body, motion }: PlantLeaf, toward: Leg["toward"]): number =>
  toward === "open" ? 1 - motion.at / body.travel : motion.at / body.travel;

/** Part of the travel that a pedestrian opening is; half where nothing says it. */
function pedestrianPart(brain: Brain, { body }: PlantLeaf): number {
  const part = inForceOf(brain, "pedestrian-opening");
  const mm = inForceOf(brain, "pedestrian-opening-mm");
  if (typeof part === "number") return part / 100;
  return typeof mm === "number" ? mm / 1_000 / (body.travel * body.arm) : 0.5;
}

/** True where the leaf has pushed long enough without moving. */
function stalls(sense: Sense, { motion, line }: PlantLeaf, seconds: number): boolean {
  sense.driven += seconds;
  const still = Math.abs(motion.speed) < tells.still * line.freeSpeed;
  sense.stalled = still && sense.driven > tells.startSeconds ? sense.stalled + seconds : 0;
  return sense.stalled > tells.stallSeconds;
}

/** The board senses that a leaf has left its end. */
export function sensesLeaving(brain: Brain, which: Which, { motion, body }: PlantLeaf): void {
  const from = brain.at[which];
  if (from === "between") return;
  const part = motion.at / body.travel;
  if (from === "closed" ? part > tells.left : part < 1 - tells.left) leavesEnd(brain, which);
}

/**
 * What the board makes of a leaf that it drives: it has come to an end, by a limit, by its count or by what stops it; or it
 * pushes against what is no end.
 */
export function sensesComing(
  brain: Brain,
  which: Which,
  leaf: PlantLeaf,
  sense: Sense,
  leg: Leg,
  seconds: number,
): void {
  const { toward } = leg;
  const most = brain.run?.mostM;
  if (most !== undefined && Math.abs(edgeOf(leaf) - sense.from) >= most) return halts(brain);
  if (brain.run?.to === "between") {
    if (leaf.motion.at / leaf.body.travel >= pedestrianPart(brain, leaf))
      return comesTo(brain, which, "between");
  } else if (sense.limits !== "stops" && (sense.limits !== "encoder" || leg.knows)) {
    if (partBefore(leaf, toward) <= tells.limit) return comesTo(brain, which, toward);
  }
  if (!stalls(sense, leaf, seconds)) return;
  // While it learns, and where it does not know the travel yet, it takes what stops it for the end.
  const learning = brain.run?.because === "phase" || !leg.knows;
  if (learning || partBefore(leaf, toward) < tells.near) comesTo(brain, which, toward);
  else obstructed(brain, which);
}
