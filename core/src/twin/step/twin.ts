import type { BoardInput, LeafPlace } from "../../board/index.ts";
import type { Installation } from "../../circuit/index.ts";
import { behindOhms } from "../../motion/index.ts";
import type { Sits } from "../../wiring/index.ts";
import {
  counts,
  inForceOf,
  knowsTravel,
  leavesOf,
  legOf,
  nextSeconds,
  type Brain,
  type Leg,
  type Which,
  type World,
} from "../brain/index.ts";
import { isAtRest, limitsOf, plantMoves, plantOf, type Plant, type PlantLeaf } from "../plant/index.ts";
import { fillsStore, storeOf, type Store } from "../power/index.ts";
import {
  beginsWith,
  cutOff,
  endContacts,
  feedsOf,
  locksHold,
  locksOf,
  opensWhenTested,
  pulsesReach,
  readsInputs,
  siteOf,
  worksEnds,
  worksInput,
  type EndContact,
  type Feed,
  type Feeds,
  type Lock,
  type Planning,
  type Site,
} from "../site/index.ts";
import { isBusy, trafficGoes, trafficOf, type Traffic } from "../traffic/index.ts";
import {
  beginsRun,
  countsWay,
  partBefore,
  readsManner,
  senseOf,
  sensesComing,
  sensesLeaving,
  takesTravel,
  type Sense,
} from "./sense.ts";

/** One step of the twin, s. */
export const tickSeconds = 0.005;

/** A board that runs, its wires, and what it moves: the board reads its inputs, never where a leaf truly is. */
export interface Twin {
  readonly brain: Brain;
  readonly site: Site;
  readonly plant: Plant;
  /** Contacts that the leaves work at their ends. */
  readonly ends: EndContact[];
  /** What it began with, before any fault was put in. */
  readonly sound: Pick<Site, "wired" | "sits" | "feeds"> & { hands: Partial<Record<Which, 1 | -1>> };
  /** Its lock's bolt does not meet its plate. */
  unlatched: boolean;
  readonly locks: readonly Lock[];
  /** People and vehicles on their way. */
  readonly traffic: Traffic;
  /** Its battery; undefined where it has none. */
  readonly store: Store | undefined;
  /** Seconds since anything stirred at the board, and what had happened by then. */
  still: number;
  stirred: number;
  /** What the board makes of each of its outputs. */
  readonly senses: Partial<Record<Which, Sense>>;
  /** What each output brings to a drive, which way that turns it, and for which measurement of the circuit that was worked out. */
  feeds: Feeds;
  turns: Record<Which, 1 | -1>;
  fedAt: number;
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

/** The plant as the board's gestures reach it: time, leaves that are put somewhere by hand, inputs that are worked. */
const worldOf = (twin: Twin): World => ({
  runs: (seconds) => {
    twinRuns(twin, seconds);
    settleUp(twin);
  },
  puts: (which, at) => {
    const leaf = twin.plant.leaves[which];
    if (!leaf) return;
    const to = parts[at] * leaf.body.travel;
    const sense = twin.senses[which];
    if (sense) sense.count += to - leaf.motion.at;
    leaf.motion.at = to;
    leaf.motion.speed = 0;
    reads(twin);
  },
  isAt: (place) =>
    Object.values(twin.plant.leaves).every(({ motion, body }) => {
      const part = motion.at / body.travel;
      if (place === "between") return part > 0.3 && part < 0.7;
      return place === "closed" ? part < 0.01 : part > 0.99;
    }),
  works: (input, worked) => {
    worksInput(twin.site, input, worked);
    reads(twin);
  },
  drains: (empty) => {
    if (twin.store) twin.store.charge = empty ? 0 : 1;
  },
  sleeps: () => twin.site.asleep,
  lives: () => twin.store !== undefined,
  opens: (input) => opensWhenTested(twin.site, twin.brain, input),
  marks: (which, end) => {
    const sense = twin.senses[which];
    if (sense) sense.marks[end] = sense.count;
  },
  learns: () => leavesOf(twin.brain).every((which) => !twin.senses[which] || takesTravel(twin.senses[which])),
});

/** Inputs that leaves work as they move. */
const byLeaves = ({ takes }: BoardInput): boolean =>
  takes.some((duty) => duty === "encoder" || duty.startsWith("limit"));

/**
 * A board of a job as it runs, with what it moves where the board takes it to be. Wired as planned, or as `at` and `sits`
 * have it; inputs that the board has otherwise than its circuit are worked by someone.
 */
export function twinOf(brain: Brain, planning: Planning, at?: Installation, sits?: Sits): Twin {
  const { bundle } = planning;
  const plant = plantOf(bundle);
  const site = siteOf(planning, at, sits);
  const senses: Twin["senses"] = {};
  const travel = whiches.map((which) => plant.leaves[which]?.body.travel);
  for (const [n, which] of whiches.slice(0, brain.board.leaves).entries()) {
    const leaf = plant.leaves[which];
    if (leaf) {
      leaf.motion.at = parts[brain.at[which]] * leaf.body.travel;
      // However it is mounted, it turns as the settings in force want it.
      leaf.hand = inForceOf(brain, "rotation") === "inverted" ? -1 : 1;
    }
    const open = travel[n] ?? travel[0] ?? 1;
    const known = knowsTravel(brain) ? { closed: 0, open } : undefined;
    senses[which] = senseOf(
      brain,
      which,
      limitsOf(bundle, which),
      leaf?.motion.at ?? parts[brain.at[which]] * open,
      known,
    );
  }
  const hands = Object.fromEntries(Object.entries(plant.leaves).map(([which, { hand }]) => [which, hand]));
  // Named one by one: an object put together of others is slow to reach in time.
  const twin: Twin = {
    brain,
    site,
    plant,
    senses,
    ends: endContacts(site, plant),
    sound: { wired: site.wired, sits: site.sits, feeds: site.feeds, hands },
    unlatched: false,
    locks: locksOf(site),
    traffic: trafficOf(site),
    store: storeOf(site),
    still: 0,
    stirred: 0,
    feeds: {},
    turns: { first: 1, second: 1 },
    fedAt: 0,
    legs: {},
    of: {},
    ticks: 0,
    owed: 0,
    due: 0,
  };
  brain.world = worldOf(twin);
  worksEnds(site, twin.ends);
  const { inputs } = brain.board;
  beginsWith(site, brain, (id) => inputs.some((input) => input.id === id && byLeaves(input)));
  return twin;
}

/** What is wired or hung is another: everything that was worked out of it is worked out anew. */
export function rereads(twin: Twin): void {
  twin.fedAt = -1;
  reads(twin);
}

/** The board reads its inputs, with the contacts at the ends where their leaves stand. */
function reads(twin: Twin): void {
  const { brain, site, plant, unlatched: misses } = twin;
  worksEnds(site, twin.ends);
  readsInputs(site, brain);
  if (twin.locks.length) locksHold(twin.locks, { brain, site, plant, misses });
}

/** A board that draws less asleep falls asleep once nothing has stirred for so long, s. Assumed. */
const wakefulSeconds = 60;

/** Nothing stirred for some seconds, or something did: a board falls asleep, or wakes. */
function rests(twin: Twin, seconds: number): void {
  const { brain, site } = twin;
  const { draw } = brain.board;
  const busy = brain.run ?? brain.running ?? brain.pause ?? brain.fall;
  const stirs = busy !== undefined || brain.pressing || brain.events.length !== twin.stirred;
  twin.stirred = brain.events.length;
  twin.still = stirs ? 0 : twin.still + seconds;
  site.asleep = draw !== undefined && sleeps(brain) && twin.still >= wakefulSeconds;
}

/** True for a board that has rails which live only while it is awake, or draws next to nothing asleep. */
const sleeps = ({ board: { rails, supply } }: Brain): boolean =>
  supply.kind === "solar" || rails.some(({ live }) => live === "awake");

/** The board counts the time it is owed. Before anything is done to it, so that nothing comes too early. */
function settleUp(twin: Twin): void {
  const { brain, owed } = twin;
  twin.owed = 0;
  if (owed > 0) {
    const seconds = owed * tickSeconds;
    counts(brain, seconds);
    rests(twin, seconds);
    if (twin.store)
      fillsStore(twin.store, brain, twin.site, twin.plant, { seconds, asleep: twin.site.asleep });
  }
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
  if (run !== of.run) for (const sense of Object.values(senses)) beginsRun(sense);
  twin.of = { run, inForce, phase, trips };
  for (const sense of Object.values(senses)) readsManner(brain, sense);
  twin.legs = { first: legOf(brain, "first"), second: legOf(brain, "second") };
  // Which way a drive turns follows from the settings as well.
  twin.fedAt = -1;
  return twin.legs;
}

/** What the outputs bring: worked out where the circuit was measured anew. */
function feedsNow(twin: Twin): Feeds {
  const { brain, site, plant, senses } = twin;
  if (twin.fedAt === site.measurements) return twin.feeds;
  twin.fedAt = site.measurements;
  twin.feeds = brain.run ? feedsOf(site, brain, plant) : {};
  for (const which of whiches) {
    const [feed, sense] = [twin.feeds[which], senses[which]];
    if (!feed) continue;
    twin.turns[which] = turns(twin, which, feed);
    const { line } = feed.leaf;
    const { thrust, stallAmps, freeSpeed } = behindOhms(feed.leaf.rated, feed.ohms);
    line.freeSpeed = freeSpeed;
    line.thrust = thrust;
    line.stallAmps = stallAmps;
    if (sense) sense.pulses = pulsesReach(site, brain, feed.leaf);
  }
  return twin.feeds;
}

/** Which way a leaf goes where the board wants it open: 1 open, −1 closed. */
function turns({ brain }: Twin, which: Which, { leaf, volts }: Feed): 1 | -1 {
  const about = [volts < 0, inForceOf(brain, "rotation") === "inverted", brain.inverted.has(which)];
  return about.filter(Boolean).length % 2 === (leaf.hand === 1 ? 0 : 1) ? 1 : -1;
}

/** True where a drive with limits of its own has cut itself off the way it goes. */
const isCut = ({ limits }: Sense, { leaf: { motion, body } }: Feed, opens: boolean): boolean =>
  limits === "series" && (opens ? 1 - motion.at / body.travel : motion.at / body.travel) <= cutOff;

/** True where the board drives an output just now. */
function isDriven({ brain: { run }, owed, legs }: Twin, which: Which): boolean {
  const leg = legs[which];
  if (!leg || !run) return false;
  return run.since + owed * tickSeconds >= leg.after && !run.there.includes(which);
}

/** A drive on damaged speed data: it sets off, falters, and creeps on; parts of the volts, and seconds. Assumed. */
const damaged = { setsOff: 1, falters: 1.5, little: 0.12, creeps: 0.25 };

function faltering({ driven }: Sense, even: number): number {
  if (driven < damaged.setsOff) return even;
  return Math.min(even, driven < damaged.falters ? damaged.little : damaged.creeps);
}

/** How much more of its volts a board gives for each part of its speed that a leaf lacks: it holds a slow speed under load. Assumed. */
const regulates = 3;
/** Nothing at all would be a drive that is off, and holds. */
const leastVolts = 0.05;
/** Seconds in which it goes from nothing to all of its volts. Assumed. */
const rampSeconds = 0.4;

/** An output gives what the board orders; what reaches a drive by it, undefined where nothing does. */
function orders(twin: Twin, which: Which): Feed | undefined {
  const { brain } = twin;
  const feed = twin.feeds[which];
  if (!feed) return undefined;
  const { leaf, volts } = feed;
  const leg = twin.legs[which]!;
  const sense = twin.senses[which]!;
  const opens = (leg.toward === "open") === twin.turns[which] > 0;
  if (isCut(sense, feed, opens)) return undefined;
  const even = partBefore(sense, leg.toward) <= leg.slowPart ? leg.slow : leg.full;
  const part = leg.falters ? faltering(sense, even) : even;
  // On its battery it gives what that has.
  const has = twin.store && !brain.mains ? twin.store.volts / twin.store.nominal : 1;
  const speed = (opens ? leaf.motion.speed : -leaf.motion.speed) / leaf.rated.freeSpeed;
  const wanted = Math.min(1, Math.max(leastVolts, part + regulates * (part - speed)));
  const most = tickSeconds / rampSeconds;
  sense.given = Math.max(leastVolts, sense.given + Math.min(most, Math.max(-most, wanted - sense.given)));
  leaf.drive.volts = (opens ? sense.given : -sense.given) * Math.abs(volts) * has;
  leaf.drive.limit = Math.min(leg.force * leaf.rated.thrust, leaf.grip);
  return feed;
}

/** What the board senses of a leaf that moved: how far, and that it has left its end. */
function follows({ brain, senses, turns }: Twin, which: Which, leaf: PlantLeaf, was: number): void {
  const sense = senses[which];
  if (!sense) return;
  countsWay(sense, leaf.motion.at - was, turns[which]);
  sensesLeaving(brain, which, sense, leaf);
}

/** One step: circuit, orders, movement, what is sensed of it, time. */
function tick(twin: Twin): void {
  const { brain, plant, senses, traffic } = twin;
  if (isBusy(traffic)) trafficGoes(traffic, twin.site, plant, tickSeconds);
  reads(twin);
  const { run } = brain;
  const legs = legsNow(twin);
  feedsNow(twin);
  const { first, second } = plant.leaves;
  if (first) first.drive.volts = 0;
  if (second) second.drive.volts = 0;
  const firstWas = first ? first.motion.at : 0;
  const secondWas = second ? second.motion.at : 0;
  const drivesFirst = isDriven(twin, "first");
  const drivesSecond = isDriven(twin, "second");
  const firstFeed = drivesFirst ? orders(twin, "first") : undefined;
  const secondFeed = drivesSecond ? orders(twin, "second") : undefined;
  plantMoves(plant, tickSeconds);
  // An output follows the leaf whose drive hangs on it.
  const onFirst = firstFeed?.leaf ?? first;
  const onSecond = secondFeed?.leaf ?? second;
  if (onFirst) follows(twin, "first", onFirst, onFirst === first ? firstWas : secondWas);
  if (onSecond) follows(twin, "second", onSecond, onSecond === second ? secondWas : firstWas);
  if (drivesFirst) sensesComing(brain, "first", senses.first!, firstFeed, legs.first!, tickSeconds);
  // What the first leaf met may have ended the run of both.
  if (drivesSecond && brain.run === run)
    sensesComing(brain, "second", senses.second!, secondFeed, legs.second!, tickSeconds);
  twin.ticks += 1;
  twin.owed += 1;
  if (twin.owed >= twin.due || brain.run !== run) settleUp(twin);
}

/** Lets time run, s. */
export function twinRuns(twin: Twin, seconds: number): void {
  const last = twin.ticks + Math.round(seconds / tickSeconds);
  while (twin.ticks < last)
    if (twin.brain.run === undefined && !isBusy(twin.traffic) && isAtRest(twin.plant)) {
      reads(twin);
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
  reads(twin);
  settleUp(twin);
}
