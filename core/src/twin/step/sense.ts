import type { End } from "../../board/index.ts";
import {
  comesTo,
  findsWrong,
  halts,
  inForceOf,
  leavesEnd,
  obstructed,
  type Brain,
  type Leg,
  type Which,
} from "../brain/index.ts";
import type { PlantLeaf } from "../plant/index.ts";
import { endInput, type Feed, type Limits } from "../site/index.ts";

/**
 * What a board makes of one of its outputs: how far it has counted, by pulses or by time, where it takes the ends to be,
 * and how long it has pushed without moving. It never knows where the leaf truly is.
 */
export interface Sense {
  /** How its drive finds its ends, and how the board is set to find them. */
  limits: Limits;
  how: Limits;
  /** Inputs that could tell its ends, by their ids, and those by which it is set to find them. */
  readonly told: Readonly<Record<End | "both", string | undefined>>;
  by: Readonly<Record<End, string | undefined>>;
  /** The one input of both ends has been clear since the run began. */
  cleared: boolean;
  /** The board can find that a leaf goes the other way, for it has a code for it. */
  readonly findsWrongWay: boolean;
  /** What it counts of the leaf's way, in the leaf's own measure; up where it takes it to open. */
  count: number;
  /** Counts that were taken for ends, and those that are learned. */
  marks: Partial<Record<End, number>>;
  known: Record<End, number> | undefined;
  /** Seconds it has been driven, and of these how long it has not moved, got no current, no pulses, or gone the other way. */
  driven: number;
  stalled: number;
  currentless: number;
  pulseless: number;
  /** How far it went the other way than it should, part of its travel. */
  astray: number;
  /** Its count as the run began, or as it came to its end. */
  from: number;
  /** Part of its volts that the board gives just now. */
  given: number;
  /** The pulses of its encoder reach the board. */
  pulses: boolean;
}

/** Parts of the travel and times by which ends are told; assumed. */
const tells = {
  /** The learned count of an encoder is met within this of its end. */
  limit: 0.001,
  /** Further from its end than this a leaf has left it: it may come back from its stop a little. */
  left: 0.03,
  /** A board that knows the travel takes a stall this near to its end for the end. */
  near: 0.05,
  /** So far past the end it learned by time it takes the end to be there. */
  past: 0.1,
  /** Slower than this part of its free speed a leaf does not move. */
  still: 0.02,
  startSeconds: 0.6,
  stallSeconds: 0.3,
  currentSeconds: 0.5,
  pulseSeconds: 1,
  /** A board that can tell finds that a leaf goes the other way after this part of the travel. */
  astray: 0.04,
};

/** A sense of an output, the leaf of which stands somewhere as the board begins. */
export function senseOf(
  brain: Brain,
  which: Which,
  limits: Limits,
  count: number,
  known?: Record<End, number>,
): Sense {
  return {
    limits,
    how: limits,
    told: {
      open: endInput(brain, which, "open")?.id,
      closed: endInput(brain, which, "closed")?.id,
      both: endInput(brain, which, "both")?.id,
    },
    by: neither,
    cleared: false,
    findsWrongWay: brain.board.codes.some(({ tells }) => tells === "wrong-way"),
    count,
    marks: {},
    known,
    driven: 0,
    stalled: 0,
    currentless: 0,
    pulseless: 0,
    astray: 0,
    from: count,
    given: 0,
    pulses: true,
  };
}

/** A run begins: what was timed and counted for the last one counts no more. */
export function beginsRun(sense: Sense): void {
  // One by one: assigned together they would make each sense a slow object in time.
  sense.cleared = false;
  sense.driven = 0;
  sense.stalled = 0;
  sense.currentless = 0;
  sense.pulseless = 0;
  sense.astray = 0;
  sense.given = 0;
  sense.from = sense.count;
}

const byContacts: readonly Limits[] = ["switches", "magnets", "one-core"];
const neither: Sense["by"] = { open: undefined, closed: undefined };

/** Ends nearer to one another than this are one place, m or rad. Assumed. */
const onePlace = 0.02;

/** The ends that were taken are learned; false where they are one place, for the leaf never moved. */
export function takesTravel(sense: Sense): boolean {
  const { open, closed } = sense.marks;
  if (open === undefined || closed === undefined) return sense.known !== undefined;
  if (Math.abs(open - closed) < onePlace) return false;
  sense.known = { open, closed };
  return true;
}

/** Settings are read: how the board finds its ends, as it is set, else as the drive does. */
export function readsManner(brain: Brain, sense: Sense): void {
  const set = inForceOf(brain, "limit-sensing");
  sense.how = typeof set === "string" ? (set as Limits) : sense.limits;
  const { both } = sense.told;
  const each = sense.how === "one-core" ? { open: both, closed: both } : sense.told;
  sense.by = byContacts.includes(sense.how) ? each : neither;
}

/** Where the board takes an end to be: as it learned it; undefined where it has not. */
const endOf = ({ known }: Sense, end: End): number | undefined => known?.[end];

/** Part of the travel, as the board knows it, between a leaf and the end it goes to; all of it where it knows none. */
export function partBefore(sense: Sense, toward: End): number {
  const { known, count } = sense;
  if (!known) return 1;
  const way = known.open - known.closed;
  return way === 0 ? 0 : (toward === "open" ? known.open - count : count - known.closed) / way;
}

/** Part of the travel that a pedestrian opening is; half where nothing says it. */
function pedestrianPart(brain: Brain, { body }: PlantLeaf): number {
  const part = inForceOf(brain, "pedestrian-opening");
  const mm = inForceOf(brain, "pedestrian-opening-mm");
  if (typeof part === "number") return part / 100;
  return typeof mm === "number" ? mm / 1_000 / (body.travel * body.arm) : 0.5;
}

/** True where the leaf has pushed long enough without moving. */
function stalls(sense: Sense, { motion, line }: PlantLeaf, seconds: number): boolean {
  const still = Math.abs(motion.speed) < tells.still * line.freeSpeed;
  sense.stalled = still && sense.driven > tells.startSeconds ? sense.stalled + seconds : 0;
  return sense.stalled > tells.stallSeconds;
}

/** Whether the input that tells an end is worked; undefined where none tells it. */
function tellsEnd(brain: Brain, sense: Sense, end: End): boolean | undefined {
  const { by } = sense;
  const input = by[end];
  if (input === undefined) return undefined;
  if (!brain.tripped.has(input)) {
    sense.cleared = true;
    return false;
  }
  // What tells of both ends tells of the other one until the leaf has left it.
  return by.open !== by.closed || sense.cleared;
}

/** The board senses that a leaf has left its end. */
export function sensesLeaving(brain: Brain, which: Which, sense: Sense, { body }: PlantLeaf): void {
  const from = brain.at[which];
  if (from === "between") return;
  const told = tellsEnd(brain, sense, from);
  const gone = Math.abs(sense.count - (endOf(sense, from) ?? sense.from)) / body.travel > tells.left;
  if (told === undefined ? gone : !told && gone) leavesEnd(brain, which);
}

/** What the board counts of a leaf that moved by so much, as it takes the drive to turn. */
export function countsWay(sense: Sense, moved: number, sign: number): void {
  if (moved !== 0) sense.count += moved * sign;
}

/** It has come to an end: its count is right there again. */
function atEnd(brain: Brain, which: Which, sense: Sense, end: End): void {
  const known = endOf(sense, end);
  if (known !== undefined && brain.run?.because !== "phase") sense.count = known;
  sense.from = sense.count;
  comesTo(brain, which, end);
}

/** True where the board finds its leaf's drive without current, without pulses, or going the other way. */
function misses(
  brain: Brain,
  which: Which,
  sense: Sense,
  leaf: PlantLeaf | undefined,
  toward: End,
  seconds: number,
): boolean {
  const { how } = sense;
  sense.currentless = leaf ? 0 : sense.currentless + seconds;
  if (sense.currentless > tells.currentSeconds) {
    // A drive that cuts itself off draws nothing at its end: the board cannot tell that from a lost core.
    if (how === "series") atEnd(brain, which, sense, toward);
    else findsWrong(brain, "no-current", which);
    return true;
  }
  if (!leaf) return true;
  if (how === "encoder") {
    sense.pulseless = sense.pulses ? 0 : sense.pulseless + seconds;
    if (sense.pulseless > tells.pulseSeconds) {
      findsWrong(brain, "no-pulses", which);
      return true;
    }
  }
  const { motion, body } = leaf;
  if (sense.findsWrongWay && brain.run?.because === "phase") {
    const wrong = toward === "open" ? -motion.speed : motion.speed;
    sense.astray = wrong > 0 ? sense.astray + (wrong * seconds) / body.travel : 0;
    if (sense.astray > tells.astray) {
      findsWrong(brain, "wrong-way", which);
      return true;
    }
  }
  return false;
}

/**
 * The leaf stands though it is driven. While it looks for its stops, and where it knows no travel yet, that is the end; a
 * limit it looked for was not met; short of an end it knows it pushes against something.
 */
function stopped(
  brain: Brain,
  which: Which,
  sense: Sense,
  toward: End,
  { before, knows, byContact }: { before: number; knows: boolean; byContact: boolean },
): void {
  const phase = brain.run?.because === "phase" ? brain.running?.queue[0] : undefined;
  if (phase?.until === "stop" || before < tells.near) return atEnd(brain, which, sense, toward);
  if (phase && byContact) return findsWrong(brain, "no-end", which);
  if (phase && knows && phase.run) return findsWrong(brain, "obstructed", which);
  if (phase || !(knows || byContact)) atEnd(brain, which, sense, toward);
  else obstructed(brain, which);
}

/**
 * What the board makes of an output that it drives: the leaf has come to an end, by a limit, by its count or by what stops
 * it; it pushes against what is no end; or it draws nothing, sends nothing, or goes the other way.
 */
export function sensesComing(
  brain: Brain,
  which: Which,
  sense: Sense,
  feed: Feed | undefined,
  leg: Leg,
  seconds: number,
): void {
  const { toward } = leg;
  sense.driven += seconds;
  const leaf = feed?.leaf;
  if (misses(brain, which, sense, leaf, toward, seconds) || !leaf) return;
  const { body } = leaf;
  const most = brain.run?.mostM;
  if (most !== undefined && Math.abs(sense.count - sense.from) * body.arm >= most) return halts(brain);
  const { how } = sense;
  const before = partBefore(sense, toward);
  const knows = leg.knows && sense.known !== undefined;
  const told = tellsEnd(brain, sense, toward);
  if (brain.run?.to === "between") {
    const done = sense.known ? 1 - before : Math.abs(sense.count - sense.from) / body.travel;
    if (done >= pedestrianPart(brain, leaf)) return comesTo(brain, which, "between");
  } else if (told !== undefined) {
    if (told) return atEnd(brain, which, sense, toward);
  } else if (how === "encoder" && knows) {
    if (before <= tells.limit) return atEnd(brain, which, sense, toward);
  } else if (how === "stops" && knows && before < -tells.past) return atEnd(brain, which, sense, toward);
  if (!stalls(sense, leaf, seconds)) return;
  stopped(brain, which, sense, toward, { before, knows, byContact: told !== undefined });
}
