import { bothLeaves } from "../../board/index.ts";
import type { BoardInput, LeafPlace } from "../../board/index.ts";
import type { Installation } from "../../circuit/index.ts";
import { countWork } from "../../quantity/index.ts";
import type { Sits } from "../../wiring/index.ts";
import {
  counts,
  inForceOf,
  knowsTravel,
  leavesOf,
  nextSeconds,
  type Brain,
  type Which,
  type World,
} from "../brain/index.ts";
import { isAtRest, limitsOf, plantMoves, plantOf, type PlantLeaf } from "../plant/index.ts";
import { fillsStore, storeOf } from "../power/index.ts";
import {
  beginsWith,
  endContacts,
  locksHold,
  locksOf,
  opensWhenTested,
  readsInputs,
  siteOf,
  worksEnds,
  worksInput,
  type Planning,
} from "../site/index.ts";
import { isBusy, trafficGoes, trafficOf } from "../traffic/index.ts";
import { feedsNow, isDriven, legsNow, orders } from "./orders.ts";
import { countsWay, senseOf, sensesComing, sensesLeaving, takesTravel } from "./sense.ts";
import { tickSeconds, type Twin } from "./types.ts";

/** The longest a board is left without its time, s: menus close and pauses store by it. */
const longestOwed = 0.1;

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
  wakes: () => {
    if (!twin.site.asleep) return;
    twin.site.asleep = false;
    twin.still = 0;
    reads(twin);
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
  const travel = bothLeaves.map((which) => plant.leaves[which]?.body.travel);
  for (const [n, which] of bothLeaves.slice(0, brain.board.leaves).entries()) {
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
    onlooker: { at: Infinity, looks: () => Infinity },
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

/** Lets time run, s; whoever looks on is told at the step it asked for, in the middle of a gesture too. */
export function twinRuns(twin: Twin, seconds: number): void {
  countWork("seconds", seconds);
  const last = twin.ticks + Math.round(seconds / tickSeconds);
  const { onlooker } = twin;
  while (twin.ticks < last) {
    runsUntil(twin, Math.min(last, onlooker.at));
    if (twin.ticks >= onlooker.at) onlooker.at = onlooker.looks();
  }
}

function runsUntil(twin: Twin, last: number): void {
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
