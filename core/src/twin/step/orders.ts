import { bothLeaves } from "../../board/index.ts";
import { behindOhms } from "../../motion/index.ts";
import { inForceOf, legOf, type Which } from "../brain/index.ts";
import { cutOff, feedsOf, pulsesReach, type Feed, type Feeds } from "../site/index.ts";
import { beginsRun, partBefore, readsManner, type Sense } from "./sense.ts";
import { tickSeconds, type Twin } from "./types.ts";

/** What the board does with its drives: worked out where a run, a phase or a setting is another than in the last step. */
export function legsNow(twin: Twin): Twin["legs"] {
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
export function feedsNow(twin: Twin): Feeds {
  const { brain, site, plant, senses } = twin;
  if (twin.fedAt === site.measurements) return twin.feeds;
  twin.fedAt = site.measurements;
  twin.feeds = brain.run ? feedsOf(site, brain, plant) : {};
  for (const which of bothLeaves) {
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
export function isDriven({ brain: { run }, owed, legs }: Twin, which: Which): boolean {
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
export function orders(twin: Twin, which: Which): Feed | undefined {
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
