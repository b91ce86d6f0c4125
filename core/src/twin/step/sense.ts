import type { DeviceProfile } from "../../device/index.ts";
import {
  comesTo,
  inForceOf,
  leavesEnd,
  obstructed,
  type Brain,
  type Order,
  type Which,
} from "../brain/index.ts";
import type { PlantLeaf } from "../plant/index.ts";

/** What tells a board where a leaf is, and how long it has pushed without moving. */
export interface Sense {
  readonly limits: NonNullable<DeviceProfile["limits"]>;
  /** Seconds it has been driven, and of these how long it has not moved. */
  driven: number;
  stalled: number;
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

const knowsTravel = ({ board, held }: Brain): boolean =>
  board.memories.some(({ id, holds }) => holds === "travel" && (held[id] ?? 0) > 0);

/** Part of the travel between a leaf and the end it goes to. */
const before = ({ body, motion }: PlantLeaf, { toward }: Order): number =>
  toward === "open" ? 1 - motion.at / body.travel : motion.at / body.travel;

/** Part of the travel that is still before a leaf, as far as the board knows it: once it has learned. */
export const leftOf = (brain: Brain, leaf: PlantLeaf, toward: Order["toward"]): number | undefined =>
  knowsTravel(brain) ? before(leaf, { toward, speed: 0, force: 0 }) : undefined;

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

/** What the board makes of where a leaf is: it has left its end, has come to one, or pushes against what is none. */
export function sensed(
  brain: Brain,
  which: Which,
  { leaf, sense, order }: { leaf: PlantLeaf; sense: Sense; order: Order | undefined },
  seconds: number,
): void {
  const { motion, body } = leaf;
  const part = motion.at / body.travel;
  const from = brain.at[which];
  if ((from === "closed" && part > tells.left) || (from === "open" && part < 1 - tells.left))
    leavesEnd(brain, which);
  if (!order) {
    sense.driven = 0;
    sense.stalled = 0;
    return;
  }
  const { toward } = order;
  const place = brain.run?.to ?? toward;
  if (place === "between") {
    if (part >= pedestrianPart(brain, leaf)) return comesTo(brain, which, "between");
  } else if (sense.limits !== "stops" && (sense.limits !== "encoder" || knowsTravel(brain))) {
    if (before(leaf, order) <= tells.limit) return comesTo(brain, which, toward);
  }
  if (!stalls(sense, leaf, seconds)) return;
  const learning = brain.run?.because !== "command";
  const atEnd = learning || before(leaf, order) < tells.near;
  if (atEnd) comesTo(brain, which, toward);
  else obstructed(brain, which);
}
