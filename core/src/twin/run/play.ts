import type { Gesture } from "../../board/index.ts";
import { chanceOf } from "../../quantity/index.ts";
import type { BenchState, Planned } from "../../state/index.ts";
import { twinAt } from "../at.ts";
import { brainDoes, faceOf, placeOf, works, type Brain, type BrainEvent } from "../brain/index.ts";
import { putFaults } from "../faults/index.ts";
import { ampsOf } from "../plant/index.ts";
import { make } from "../runner/index.ts";
import { tickSeconds, twinDoes, twinRuns, type Twin } from "../step/index.ts";
import { sends } from "../traffic/index.ts";
import { Mark } from "./hash.ts";
import type { Run, RunDone } from "./schema.ts";

/** How often a run is looked at, s: its samples, and what its mark is made of. */
export const lookSeconds = 0.1;

/** A leaf as it was looked at: part of its travel, and its drive's current in amperes, rounded for those who draw them. */
type Sample = readonly [at: number, amps: number];

/** What came of a run. */
export interface Played {
  engine: number;
  /** The same for the same run on the same job, in every engine of the same version. */
  mark: string;
  /** Longer than was asked for by what a gesture at its end still took. */
  seconds: number;
  /** What happened at the board, and when, s: to a tenth of a second. */
  events: { at: number; event: BrainEvent }[];
  /** Each leaf every `lookSeconds`, from the first look on. */
  samples: Partial<Record<"first" | "second", Sample[]>>;
  /** Where the leaves are at its end, as the board takes them to be, and what it shows. */
  ends: { leaf: ReturnType<typeof placeOf>; display: string; lamps: Record<string, string> };
}

/** Friction and thrust differ from leaf to leaf. */
function spreads({ plant }: Twin, { seed, spread }: Run): void {
  for (const which of ["first", "second"] as const) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const chance = chanceOf(seed, `leaf ${which}`);
    const about = () => 1 + spread * (2 * chance() - 1);
    leaf.wears = about();
    leaf.rated.thrust *= about();
    leaf.body = { ...leaf.body, friction: leaf.body.friction * leaf.wears };
  }
}

/** What comes to an installation from outside, whatever someone is doing at its board. */
function comesTo(twin: Twin, { works: worked, faults, comes, damages, sun }: RunDone): void {
  if (worked) twinDoes(twin, (brain) => works(brain, worked.input, worked.worked));
  else if (faults) putFaults(twin, faults);
  else if (comes) sends(twin.traffic, comes);
  else if (damages !== undefined) twinDoes(twin, (brain) => damage(brain, damages));
  else if (sun !== undefined && twin.store) twin.store.sun = sun;
}

function damage(brain: Brain, memory: string): void {
  if ((brain.held[memory] ?? 0) > 0) brain.damaged.add(memory);
}

const roundedTo = (value: number, parts: number): number => Math.round(value * parts) / parts;

/** Looks at a run: what stands where, and what has happened since it was last looked at. */
function looks(twin: Twin, mark: Mark, played: Played): void {
  const { plant } = twin;
  for (const which of ["first", "second"] as const) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const { motion, body } = leaf;
    mark.number(motion.at);
    mark.number(motion.speed);
    const amps = ampsOf(leaf);
    mark.number(amps);
    (played.samples[which] ??= []).push([roundedTo(motion.at / body.travel, 1e5), roundedTo(amps, 1e3)]);
  }
  if (twin.store) mark.number(twin.store.charge);
  hears(twin, mark, played);
}

/** Notes what has happened at the board since it was last noted. */
function hears({ brain, ticks }: Twin, mark: Mark, played: Played): void {
  for (const event of brain.events.slice(played.events.length)) {
    mark.text(JSON.stringify(event));
    played.events.push({ at: ticks * tickSeconds, event });
  }
}

const stepOf = (seconds: number): number => Math.round(seconds / tickSeconds);

/** Plays what comes from outside at its time, and looks at the run every `lookSeconds`, in the middle of a gesture too. */
function looksOn(twin: Twin, script: readonly RunDone[], on: Record<"look" | "come", () => void>): void {
  const ahead = script.filter((each) => !each.do);
  const every = stepOf(lookSeconds);
  const next = () =>
    Math.min(twin.ticks - (twin.ticks % every) + every, ahead[0] ? stepOf(ahead[0].at) : Infinity);
  const arrives = () => {
    while (ahead[0] && stepOf(ahead[0].at) <= twin.ticks) {
      comesTo(twin, ahead.shift()!);
      on.come();
    }
  };
  arrives();
  twin.onlooker.at = next();
  twin.onlooker.looks = () => {
    arrives();
    if (twin.ticks % every === 0) on.look();
    return next();
  };
}

/**
 * Plays a run on a job as it stands, look by look; now and then it gives the part that is done, so that whoever plays it may
 * tell, or stop. At one moment what comes from outside is first. What a script asks for that the job has not, an input or a
 * memory, changes nothing.
 */
export function* plays(planned: Planned, state: BenchState, run: Run): Generator<number, Played> {
  const twin = twinAt(planned, state);
  const mark = new Mark();
  const played: Played = {
    engine: run.engine,
    ...{ mark: "", seconds: 0, events: [], samples: {} },
    ends: { leaf: "closed", display: "", lamps: {} },
  };
  spreads(twin, run);
  twin.brain.events = [];
  const script = [...run.script].sort((a, b) => a.at - b.at);
  let looked = 0;
  const look = () => {
    looks(twin, mark, played);
    looked = twin.ticks;
  };
  const come = () => hears(twin, mark, played);
  looksOn(twin, script, { look, come });
  const last = stepOf(run.seconds);
  const hands = script.filter((each) => each.do);
  while (twin.ticks < last) {
    while (hands[0] && stepOf(hands[0].at) <= twin.ticks) {
      does(twin, hands.shift()!.do!);
      come();
    }
    const due = hands[0] ? stepOf(hands[0].at) : last;
    const until = Math.min(last, due, twin.ticks + stepOf(lookSeconds));
    twinRuns(twin, (until - twin.ticks) * tickSeconds);
    yield twin.ticks / last;
  }
  if (looked < twin.ticks) look();
  const { lamps, display } = faceOf(twin.brain);
  return {
    ...played,
    mark: mark.digits,
    seconds: twin.ticks * tickSeconds,
    ends: { leaf: placeOf(twin.brain), display, lamps },
  };
}

function does(twin: Twin, gesture: Gesture): void {
  twinDoes(twin, (brain) => void (make(brain, gesture) || brainDoes(brain, gesture)));
}
