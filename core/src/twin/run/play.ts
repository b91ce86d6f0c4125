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
const lookSeconds = 0.1;

/** A leaf as it was looked at: part of its travel, its drive's current in amperes, and whether it is driven. */
type Sample = readonly [at: number, amps: number];

/** What came of a run. */
export interface Played {
  engine: number;
  /** The same for the same run on the same job, in every engine of the same version. */
  mark: string;
  seconds: number;
  /** What happened at the board, and when, s. */
  events: { at: number; event: BrainEvent }[];
  /** Every `lookSeconds`, each leaf. */
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

function does(twin: Twin, done: RunDone): void {
  const { do: gesture, works: worked, faults, comes, damages, sun } = done;
  if (gesture) twinDoes(twin, (brain) => void (make(brain, gesture) || brainDoes(brain, gesture)));
  else if (worked) twinDoes(twin, (brain) => works(brain, worked.input, worked.worked));
  else if (faults) putFaults(twin, faults);
  else if (comes) sends(twin.traffic, comes);
  else if (damages !== undefined) twinDoes(twin, (brain) => damage(brain, damages));
  else if (sun !== undefined && twin.store) twin.store.sun = sun;
}

function damage(brain: Brain, memory: string): void {
  if ((brain.held[memory] ?? 0) > 0) brain.damaged.add(memory);
}

/** Looks at a run: what stands where, and what has happened since it was last looked at. */
function looks(twin: Twin, mark: Mark, played: Played): void {
  const { brain, plant } = twin;
  const at = twin.ticks * tickSeconds;
  for (const which of ["first", "second"] as const) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const { motion, body } = leaf;
    mark.number(motion.at);
    mark.number(motion.speed);
    const amps = ampsOf(leaf);
    mark.number(amps);
    (played.samples[which] ??= []).push([motion.at / body.travel, amps]);
  }
  if (twin.store) mark.number(twin.store.charge);
  for (const event of brain.events) {
    mark.text(JSON.stringify(event));
    played.events.push({ at, event });
  }
  brain.events = [];
  twin.stirred = 0;
}

/**
 * Plays a run on a job as it stands, look by look; each look gives the part that is done, so that whoever plays it may tell,
 * or stop. What a script asks for that the job has not, an input or a memory, changes nothing.
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
  const script = [...run.script].sort((a, b) => a.at - b.at);
  const last = Math.round(run.seconds / tickSeconds);
  const lookTicks = Math.round(lookSeconds / tickSeconds);
  while (twin.ticks < last) {
    for (let next = script[0]; next && Math.round(next.at / tickSeconds) <= twin.ticks; next = script[0]) {
      script.shift();
      does(twin, next);
    }
    const until = Math.min(last, twin.ticks - (twin.ticks % lookTicks) + lookTicks);
    const due = script[0] ? Math.max(twin.ticks + 1, Math.round(script[0].at / tickSeconds)) : until;
    twinRuns(twin, (Math.min(until, due) - twin.ticks) * tickSeconds);
    if (twin.ticks < until) continue;
    looks(twin, mark, played);
    yield twin.ticks / last;
  }
  const { lamps, display } = faceOf(twin.brain);
  return {
    ...played,
    mark: mark.digits,
    seconds: twin.ticks * tickSeconds,
    ends: { leaf: placeOf(twin.brain), display, lamps },
  };
}

/** Plays a run to its end. */
export function playRun(planned: Planned, state: BenchState, run: Run): Played {
  const playing = plays(planned, state, run);
  for (;;) {
    const step = playing.next();
    if (step.done) return step.value;
  }
}
