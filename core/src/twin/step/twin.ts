import type { LeafPlace } from "../../board/index.ts";
import type { JobBundle } from "../../job/index.ts";
import { counts, legOf, nextSeconds, type Brain, type Leg, type Which, type World } from "../brain/index.ts";
import {
  edgeOf,
  isAtRest,
  limitsOf,
  plantMoves,
  plantOf,
  type Plant,
  type PlantLeaf,
} from "../plant/index.ts";
import { partBefore, sensesComing, sensesLeaving, type Sense } from "./sense.ts";

/** One step of the twin, s. */
export const tickSeconds = 0.005;

/** A board that runs, and what it moves: the board reads what it senses, never where a leaf truly is. */
export interface Twin {
  readonly brain: Brain;
  readonly plant: Plant;
  readonly senses: Partial<Record<Which, Sense>>;
  ticks: number;
  /** What the board does with its drives, and of what that was worked out. */
  legs: Partial<Record<Which, Leg | undefined>>;
  of: { run?: Brain["run"]; inForce?: Brain["inForce"]; phase?: unknown; trips?: number };
  /** Steps whose time the board has not counted yet, and at how many it wants to. */
  owed: number;
  due: number;
}

/** The longest a board is left without its time, s: menus close and pauses store by it. */
const longestOwed = 0.1;

const whiches = ["first", "second"] as const;

const parts: Record<LeafPlace, number> = { closed: 0, between: 0.5, open: 1 };

/** The plant as the board's gestures reach it: time, and leaves that are put somewhere by hand. */
const worldOf = (twin: Twin): World => ({
  runs: (seconds) => {
    twinRuns(twin, seconds);
    settleUp(twin);
  },
  puts: (which, at) => {
    const leaf = twin.plant.leaves[which];
    if (leaf) Object.assign(leaf.motion, { at: parts[at] * leaf.body.travel, speed: 0 });
  },
  isAt: (place) =>
    Object.values(twin.plant.leaves).every(({ motion, body }) => {
      const part = motion.at / body.travel;
      if (place === "between") return part > 0.3 && part < 0.7;
      return place === "closed" ? part < 0.01 : part > 0.99;
    }),
});

/** A board of a job as it runs, with what it moves where the board takes it to be. */
export function twinOf(brain: Brain, bundle: JobBundle): Twin {
  const plant = plantOf(bundle);
  const senses: Twin["senses"] = {};
  for (const which of whiches) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    leaf.motion.at = parts[brain.at[which]] * leaf.body.travel;
    senses[which] = { limits: limitsOf(bundle, which), driven: 0, stalled: 0, from: 0 };
  }
  const twin: Twin = { brain, plant, senses, legs: {}, of: {}, ticks: 0, owed: 0, due: 0 };
  brain.world = worldOf(twin);
  return twin;
}

/** The board counts the time it is owed. Before anything is done to it, so that nothing comes too early. */
function settleUp(twin: Twin): void {
  const { brain, owed } = twin;
  twin.owed = 0;
  if (owed > 0) counts(brain, owed * tickSeconds);
  twin.due = Math.ceil(Math.min(longestOwed, nextSeconds(brain)) / tickSeconds - 1e-6);
}

/** What the board does with its drives: worked out where a run, a phase or a setting is another than in the last step. */
function legsNow(twin: Twin): Twin["legs"] {
  const { brain, senses } = twin;
  const { run, inForce } = brain;
  const phase = brain.running?.queue[0];
  const { of } = twin;
  const { trips } = brain;
  if (run === of.run && inForce === of.inForce && phase === of.phase && trips === of.trips) return twin.legs;
  if (run !== of.run)
    for (const which of whiches) {
      const [sense, leaf] = [senses[which], twin.plant.leaves[which]];
      if (sense && leaf) Object.assign(sense, { driven: 0, stalled: 0, from: edgeOf(leaf) });
    }
  twin.of = { run, inForce, phase, trips };
  twin.legs = { first: legOf(brain, "first"), second: legOf(brain, "second") };
  return twin.legs;
}

/** A drive is given what the board orders; true where it is driven. */
function ordered({ brain, owed }: Twin, which: Which, leaf: PlantLeaf, leg: Leg | undefined): boolean {
  const { run } = brain;
  const { drive, line } = leaf;
  if (!leg || !run || run.since + owed * tickSeconds < leg.after || run.there.includes(which)) {
    drive.volts = 0;
    return false;
  }
  const part = partBefore(leaf, leg.toward) <= leg.slowPart ? leg.slow : leg.full;
  drive.volts = (leg.toward === "open" ? part : -part) * line.ratedVolts;
  drive.limit = leg.force * line.thrust;
  return true;
}

/** One step: drives as the board orders, movement, what is sensed of it, time. */
function tick(twin: Twin): void {
  const { brain, plant, senses } = twin;
  const { run } = brain;
  const legs = legsNow(twin);
  const { first, second } = plant.leaves;
  const drivesFirst = first !== undefined && ordered(twin, "first", first, legs.first);
  const drivesSecond = second !== undefined && ordered(twin, "second", second, legs.second);
  plantMoves(plant, tickSeconds);
  if (first) sensesLeaving(brain, "first", first);
  if (second) sensesLeaving(brain, "second", second);
  if (drivesFirst) sensesComing(brain, "first", first, senses.first!, legs.first!, tickSeconds);
  // What the first leaf met may have ended the run of both.
  if (drivesSecond && brain.run === run)
    sensesComing(brain, "second", second, senses.second!, legs.second!, tickSeconds);
  twin.ticks += 1;
  twin.owed += 1;
  if (twin.owed >= twin.due || brain.run !== run) settleUp(twin);
}

/** Lets time run, s. */
export function twinRuns(twin: Twin, seconds: number): void {
  const last = twin.ticks + Math.round(seconds / tickSeconds);
  while (twin.ticks < last)
    if (twin.brain.run === undefined && isAtRest(twin.plant)) {
      // Nothing stirs until the board wants its time: these steps are all alike.
      const steps = Math.max(1, Math.min(last - twin.ticks, twin.due - twin.owed));
      twin.ticks += steps;
      twin.owed += steps;
      if (twin.owed >= twin.due) settleUp(twin);
    } else tick(twin);
}

/** Does something at the board, with its time counted until then. */
export function twinDoes(twin: Twin, does: (brain: Brain) => void): void {
  settleUp(twin);
  does(twin.brain);
  settleUp(twin);
}
