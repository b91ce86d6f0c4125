import { bothLeaves } from "../../board/index.ts";
import { chanceOf } from "../../quantity/index.ts";
import type { BenchState, Planned } from "../../state/index.ts";
import { twinAt } from "../at.ts";
import {
  brainDoes,
  faceOf,
  keyDown,
  keyUp,
  placeOf,
  works,
  type Brain,
  type BrainEvent,
} from "../brain/index.ts";
import { putFaults } from "../faults/index.ts";
import { ampsOf } from "../plant/index.ts";
import { make } from "../runner/index.ts";
import { tickSeconds, twinDoes, type Twin } from "../step/index.ts";
import { sends } from "../traffic/index.ts";
import { Mark } from "./hash.ts";
import { engineVersion, type Run, type RunDone } from "./schema.ts";

/** How often a run is looked at, s: its samples, and what its mark is made of. */
export const lookSeconds = 0.1;

/** Steps until a time, s. */
export const stepOf = (seconds: number): number => Math.round(seconds / tickSeconds);

const lookTicks = stepOf(lookSeconds);

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

/** A run under way: a twin, and what has been noted of it. */
export interface Course {
  readonly twin: Twin;
  readonly mark: Mark;
  readonly noted: Pick<Played, "events" | "samples">;
  /** The step at which it was last looked at. */
  looked: number;
}

/** Friction and thrust differ from leaf to leaf. */
function spreads({ plant }: Twin, { seed, spread }: Pick<Run, "seed" | "spread">): void {
  for (const which of bothLeaves) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const chance = chanceOf(seed, `leaf ${which}`);
    const about = () => 1 + spread * (2 * chance() - 1);
    leaf.wears = about();
    leaf.rated.thrust *= about();
    leaf.body = { ...leaf.body, friction: leaf.body.friction * leaf.wears };
  }
}

/** A run begins on a job as it stands; it is looked at every `lookSeconds`, in the middle of a gesture too. */
export function courseOf(
  planned: Planned,
  state: BenchState,
  run: Pick<Run, "seed" | "spread" | "live">,
): Course {
  const twin = twinAt(planned, state);
  spreads(twin, run);
  twin.brain.events = [];
  twin.brain.live = run.live;
  const course: Course = { twin, mark: new Mark(), noted: { events: [], samples: {} }, looked: 0 };
  twin.onlooker.at = lookTicks;
  twin.onlooker.looks = () => {
    looksAt(course);
    return nextLook(twin);
  };
  return course;
}

/** The step of the next look. */
export const nextLook = ({ ticks }: Twin): number => ticks - (ticks % lookTicks) + lookTicks;

const roundedTo = (value: number, parts: number): number => Math.round(value * parts) / parts;

/** Looks at a run: what stands where, and what has happened since it was last looked at. */
export function looksAt(course: Course): void {
  const { twin, mark, noted } = course;
  const { plant, store } = twin;
  for (const which of bothLeaves) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const { motion, body } = leaf;
    mark.number(motion.at);
    mark.number(motion.speed);
    const amps = ampsOf(leaf);
    mark.number(amps);
    (noted.samples[which] ??= []).push([roundedTo(motion.at / body.travel, 1e5), roundedTo(amps, 1e3)]);
  }
  if (store) mark.number(store.charge);
  hears(course);
  course.looked = twin.ticks;
}

/** Notes what has happened at the board since it was last noted. */
function hears({ twin: { brain, ticks }, mark, noted }: Course): void {
  for (const event of brain.events.slice(noted.events.length)) {
    mark.text(JSON.stringify(event));
    noted.events.push({ at: ticks * tickSeconds, event });
  }
}

function damage(brain: Brain, memory: string): void {
  if ((brain.held[memory] ?? 0) > 0) brain.damaged.add(memory);
}

function does(twin: Twin, done: RunDone): void {
  const { do: gesture, key, works: worked, faults, comes, damages, sun } = done;
  if (gesture) twinDoes(twin, (brain) => void (make(brain, gesture) || brainDoes(brain, gesture)));
  else if (key)
    twinDoes(twin, (brain) => {
      if (key.goes === "down") keyDown(brain, key.key);
      else keyUp(brain);
    });
  else if (worked) twinDoes(twin, (brain) => works(brain, worked.input, worked.worked));
  else if (faults) putFaults(twin, faults);
  else if (comes) sends(twin.traffic, comes);
  else if (damages !== undefined) twinDoes(twin, (brain) => damage(brain, damages));
  else if (sun !== undefined && twin.store) twin.store.sun = sun;
}

/** Something is done to a run under way, now. */
export function happens(course: Course, done: RunDone): void {
  does(course.twin, done);
  hears(course);
}

/** What has come of a run until now; its last look is taken. */
export function comeOf(course: Course): Played {
  const { twin, mark, noted } = course;
  if (course.looked < twin.ticks) looksAt(course);
  const { lamps, display } = faceOf(twin.brain);
  return {
    ...{ engine: engineVersion, mark: mark.digits, seconds: twin.ticks * tickSeconds },
    ...noted,
    ends: { leaf: placeOf(twin.brain), display, lamps },
  };
}
