import { leafName, movingThing } from "../board/index.ts";
import { sentence } from "../quantity/index.ts";
import {
  applyEffect,
  stateAsFound,
  type BenchState,
  type LampLook,
  type LampState,
  type Planned,
} from "../state/index.ts";
import {
  comeOf,
  courseOf,
  faceOf,
  happens,
  lookSeconds,
  twinRuns,
  type Course,
  type Played,
} from "../twin/index.ts";
import type { Step } from "./step.ts";

type Samples = Played["samples"];
type Which = keyof Samples;

/** One movement of one leaf, from where it stood to where it stands again: parts of its way, and seconds of the step. */
export interface Movement {
  leaf: Which;
  from: number;
  to: number;
  begins: number;
  ends: number;
}

/** A step as the moving installation makes it, with this job's wiring, settings and leaves. */
export interface Ran {
  /** How long its gestures took, and what they set off, s. */
  seconds: number;
  movements: Movement[];
  /** Its movements, in sentences with their seconds. */
  moves: string[];
  /** Where each leaf was, every `lookSeconds` of the step. */
  samples: Samples;
  /** What is shown once it is done. */
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  display: string;
}

/** The longest that is waited for the leaves to stand after the last gesture, s. */
const longestWait = 180;
/** Leaves that stand for less than this between two stretches have not stopped, s. */
const shortestStop = 0.5;
/** Less than this part of its way is the give of a stop, and what takes less time than this is done by hand, s. */
const least = { part: 0.03, seconds: 0.25 };

/** The bench before a step, with every step before it done. */
const stateBefore = (planned: Planned, sheet: readonly Step[], at: number): BenchState =>
  sheet
    .slice(0, at)
    .flatMap(({ effects }) => effects)
    .reduce(applyEffect, stateAsFound(planned.bundle));

/** Places of the steps of a procedure that lead up to a step on one board, that step included. */
function chainTo(sheet: readonly Step[], at: number): number[] {
  const { after } = sheet[at]!;
  if (after === undefined) return [at];
  const before = sheet.findIndex(({ id }) => id === after);
  return before < 0 ? [at] : [...chainTo(sheet, before), at];
}

/** True where another step of the same procedure goes on from this one. */
const goesOn = (sheet: readonly Step[], { id }: Step): boolean => sheet.some(({ after }) => after === id);

const isBusy = ({ twin: { brain } }: Course): boolean =>
  brain.run !== undefined || brain.running !== undefined;

/** Makes the gestures of a step; of the last step of a procedure everything they set off is waited for. */
function makes(course: Course, sheet: readonly Step[], step: Step): void {
  const { twin } = course;
  for (const gesture of step.gestures ?? []) happens(course, { at: 0, do: gesture });
  twinRuns(twin, 0.3);
  if (goesOn(sheet, step)) return;
  for (let waited = 0; waited < longestWait && isBusy(course); waited += lookSeconds)
    twinRuns(twin, lookSeconds);
  twinRuns(twin, 0.3);
}

/** What of a leaf's samples is a movement: one way, without a stop between. */
function movementsOf(leaf: Which, samples: NonNullable<Samples[Which]>): Movement[] {
  const found: Movement[] = [];
  samples.forEach(([part], n) => {
    const was = samples[n - 1]?.[0] ?? part;
    const step = part - was;
    if (Math.abs(step) < 1e-4) return;
    const last = found.at(-1);
    const at = n * lookSeconds;
    const sameWay = last && Math.sign(last.to - last.from) === Math.sign(step);
    if (last && sameWay && at - last.ends < shortestStop)
      Object.assign(last, { to: part, ends: at + lookSeconds });
    else found.push({ leaf, from: was, to: part, begins: at, ends: at + lookSeconds });
  });
  return found.filter(
    ({ from, to, begins, ends }) => Math.abs(to - from) > least.part && ends - begins > least.seconds,
  );
}

const standsAt = (part: number): string =>
  part > 0.97 ? "fully open" : part < 0.03 ? "closed" : `${Math.round(part * 100)} % open`;

/** Two leaves that do the same at the same time. */
const alike = (one: Movement, other: Movement): boolean =>
  Math.abs(one.begins - other.begins) < 0.35 &&
  Math.abs(one.ends - other.ends) < 0.6 &&
  standsAt(one.to) === standsAt(other.to);

/** Movements in sentences: "The overlapping leaf opens for 14 s and stands fully open." */
function movesTold({ bundle: { board, job } }: Planned, movements: readonly Movement[]): string[] {
  const { leaves } = job.survey;
  const groups = board.purpose === "rooflight";
  const name = (leaf: Which) =>
    leaves.length < 2
      ? `the ${movingThing(board)}`
      : `${groups ? "" : "the "}${leafName(board, leaves[leaf === "first" ? 0 : 1]!.id)}`;
  const told: string[] = [];
  const taken = new Set<Movement>();
  for (const movement of movements) {
    if (taken.has(movement)) continue;
    const other = movements.find((each) => each.leaf !== movement.leaf && alike(each, movement));
    if (other) taken.add(other);
    const many = other !== undefined;
    const does = movement.to > movement.from ? (many ? "open" : "opens") : many ? "close" : "closes";
    const seconds = Math.max(1, Math.round(movement.ends - movement.begins));
    const who = many ? `both ${groups ? "groups" : "leaves"}` : name(movement.leaf);
    told.push(
      sentence(`${who} ${does} for ${seconds} s and ${many ? "stand" : "stands"} ${standsAt(movement.to)}.`),
    );
  }
  return told;
}

/** What still moves at the end of a step. */
const setsOff = ({ bundle: { board } }: Planned, toward: "open" | "closed"): string =>
  sentence(
    `the ${movingThing(board)} begins to ${toward === "open" ? "open" : "close"} and goes on in the next step.`,
  );

/** Runs a step on the moving installation, from where its procedure began; undefined where it makes no gesture. */
export function ranStep(planned: Planned, sheet: readonly Step[], id: string): Ran | undefined {
  const at = sheet.findIndex((step) => step.id === id);
  const step = sheet[at];
  if (!step?.gestures) return undefined;
  const chain = chainTo(sheet, at);
  const course = courseOf(planned, stateBefore(planned, sheet, chain[0]!), {
    seed: 1,
    spread: 0,
    live: false,
  });
  for (const n of chain.slice(0, -1)) makes(course, sheet, sheet[n]!);
  const before = comeOf(course);
  const counts = { first: before.samples.first?.length ?? 0, second: before.samples.second?.length ?? 0 };
  makes(course, sheet, step);
  const after = comeOf(course);
  const samples: Samples = {};
  for (const leaf of ["first", "second"] as const) {
    const all = after.samples[leaf];
    // The last look before the step is where the leaf stood.
    if (all) samples[leaf] = all.slice(Math.max(0, counts[leaf] - 1));
  }
  const over = (samples.first?.length ?? 0) * lookSeconds;
  const movements = (["first", "second"] as const)
    .flatMap((leaf) => movementsOf(leaf, samples[leaf] ?? []))
    .sort((a, b) => a.begins - b.begins);
  const { brain } = course.twin;
  const { lamps, looks, display } = faceOf(brain);
  const stand = movements.filter(({ ends }) => !brain.run || ends < over - lookSeconds * 1.5);
  const moves = movesTold(planned, stand);
  if (brain.run) moves.push(setsOff(planned, brain.run.toward));
  return {
    ...{ seconds: after.seconds - before.seconds, movements, moves, samples },
    ...{ lamps, looks, display },
  };
}
