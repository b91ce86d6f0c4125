import { bothLeaves } from "../../board/index.ts";
import type { Installation } from "../../circuit/index.ts";
import { contactPart } from "../../node/index.ts";
import { countWork } from "../../quantity/index.ts";
import { applyEffect, stateAsFound, type BenchState, type Face, type Planned } from "../../state/index.ts";
import {
  comeOf,
  courseOf,
  faceOf,
  happens,
  lookSeconds,
  mostEvents,
  placeOf,
  putFaults,
  tickSeconds,
  twinRuns,
  type Asked,
  type Brain,
  type BrainEvent,
  type Course,
  type Twin,
  type TwinFault,
} from "../../twin/index.ts";
import type { Proof, Step } from "../step.ts";
import type { Samples } from "./moves.ts";

/** What lamps and display show at one moment. */
type Look = Pick<Face, "lamps" | "looks" | "display">;

/** A board at one moment of a run, kept while it runs on, and the circuit it reads. */
interface Kept {
  brain: Brain;
  circuit: Installation;
}

/** A switch, slide or jumper that stands elsewhere than it was planned, and was read so. */
interface Stray {
  kind: "control";
  control: string;
  at: string;
}

/** Something that is wrong while a step is played. */
export type Amiss = TwinFault | Stray;

/** A step as it was played: what was shown before it and once it is done, and all that happened between. */
export interface StepPlayed {
  course: Course;
  before: Look;
  after: Look;
  /** The board as it stood while that was shown. */
  kept: Kept;
  /** What was shown at every look of the step, one after the other. */
  looks: Look[];
  seconds: number;
  events: BrainEvent[];
  /** Where each leaf was, every `lookSeconds` of the step. */
  samples: Samples;
}

/** How a step is played. */
export interface Playing {
  /** What is wrong meanwhile. */
  amiss?: readonly Amiss[];
  /** Whether lamps and display are noted all along; left out, they are. What is shown at its end is told in any case. */
  looksOn?: boolean;
  /** Told what the board asks of its circuit, which contact someone holds tripped meanwhile, and what the circuit says. */
  heard?: (asked: Asked, held: readonly TwinFault[], said: string) => void;
}

/** The longest that is waited for the leaves to stand, s. */
const longestWait = 180;
/** What follows a gesture at once has followed after so long, s. */
const shortly = 0.3;
/** How long a contact is pressed that commands, and one that guards is tripped before its lamp is looked at, s. */
const pressed = 0.5;
/** So much of its way a leaf has gone when it is met under way. */
const underWay = 0.35;
/** What differs from leaf to leaf is left out: it is the installation as it is planned. */
const asPlanned = { seed: 1, spread: 0, live: false };

/** A bench with a control astray, where it stands as planned by then. */
function strays(
  { controls }: Planned,
  state: BenchState,
  { control, at }: Pick<Stray, "control" | "at">,
): BenchState {
  const to = controls.positions.switches[control];
  const moved = (positions: BenchState["positions"]) =>
    positions.switches[control] === to
      ? { ...positions, switches: { ...positions.switches, [control]: at } }
      : positions;
  return { ...state, positions: moved(state.positions), inForce: moved(state.inForce) };
}

/** True of a control that stands elsewhere. */
export const isStray = (each: Amiss): each is Stray => each.kind === "control";

/** What is wrong, of the installation and of how its controls stand. */
function parted(planned: Planned, amiss: readonly Amiss[]) {
  return {
    faults: amiss.filter((each): each is TwinFault => !isStray(each)),
    stands: (state: BenchState) =>
      amiss.filter(isStray).reduce((now, stray) => strays(planned, now, stray), state),
  };
}

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

/** Places of the steps that are made for one to be played: of the procedure it belongs to, up to it. */
const chainOf = (sheet: readonly Step[], at: number): number[] =>
  sheet[at]!.gestures ? chainTo(sheet, at) : [at];

/** The installation as a step finds it, before anything is done or wrong; undefined where no hand makes the step. */
export const startOf = (planned: Planned, sheet: readonly Step[], at: number): Twin | undefined =>
  isByHand(sheet[at]!)
    ? courseOf(planned, stateBefore(planned, sheet, chainOf(sheet, at)[0]!), asPlanned).twin
    : undefined;

/** True of a step that is made on the running installation. */
const isByHand = ({ gestures, claimed, trips: tripped }: Step): boolean =>
  (gestures !== undefined && !claimed) || tripped !== undefined;

/** True where another step of the same procedure goes on from this one. */
const goesOn = (sheet: readonly Step[], { id }: Step): boolean => sheet.some(({ after }) => after === id);

const isBusy = ({ twin: { brain } }: Course): boolean =>
  brain.run !== undefined || brain.running !== undefined || brain.boot !== undefined;

/** Waits until nothing is under way. */
function rests(course: Course): void {
  const { brain } = course.twin;
  const most = brain.events.length + mostEvents;
  const waits = () => isBusy(course) && brain.events.length < most;
  for (let waited = 0; waited < longestWait && waits(); waited += lookSeconds)
    twinRuns(course.twin, lookSeconds);
  twinRuns(course.twin, shortly);
}

/** Makes the gestures of a step; of the last step of a procedure everything they set off is waited for. */
function makes(course: Course, sheet: readonly Step[], step: Step): void {
  for (const gesture of step.gestures ?? []) happens(course, { at: 0, do: gesture });
  twinRuns(course.twin, shortly);
  if (!goesOn(sheet, step)) rests(course);
}

const kept = ({ twin: { brain, site } }: Course): Kept => ({
  brain: { ...brain, tripped: new Set(brain.tripped), at: { ...brain.at } },
  circuit: site.at,
});

const commands = (course: Course, toward: "open" | "closed"): void =>
  happens(course, { at: 0, do: { command: toward === "open" ? "open" : "close" } });

/** Brings the leaves to where a contact is proved: an end, or on the way from one. */
function brings(course: Course, moment: Proof["leaf"]): void {
  const { brain, plant } = course.twin;
  const from = moment === "closed" || moment === "opening" ? "closed" : "open";
  if (placeOf(brain) !== from) {
    commands(course, from);
    rests(course);
  }
  if (moment === from) return;
  const parts = () => Object.values(plant.leaves).map(({ motion, body }) => motion.at / body.travel);
  const stood = parts();
  const isUnderWay = () => parts().some((part, n) => Math.abs(part - stood[n]!) > underWay);
  commands(course, from === "open" ? "closed" : "open");
  for (let waited = 0; waited < longestWait && !isUnderWay() && isBusy(course); waited += lookSeconds)
    twinRuns(course.twin, lookSeconds);
}

/** Trips a contact, and sees what comes of it; the face is looked at while it is tripped. */
function trips(
  course: Course,
  { trips: part, proves }: Step,
  holds: (held: readonly TwinFault[]) => void,
): Kept | undefined {
  const { twin } = course;
  const { device, contact } = part ?? contactPart("", "");
  holds([{ kind: "contact-stuck", device, contact, tripped: true }]);
  twinRuns(twin, pressed);
  if (!proves) return undefined;
  if (proves.commands) {
    const during = kept(course);
    // Where it moves only while it is pressed it is kept pressed.
    if (twin.brain.run?.because === "held") rests(course);
    holds([]);
    rests(course);
    return during;
  }
  if (proves.leaf === "closed" || proves.leaf === "open")
    commands(course, proves.leaf === "open" ? "closed" : "open");
  rests(course);
  return undefined;
}

/** A step that someone's hands make: by gestures, or by tripping a contact. */
function played(
  planned: Planned,
  sheet: readonly Step[],
  at: number,
  { amiss = [], looksOn = true, heard }: Playing,
): StepPlayed {
  countWork("steps");
  const step = sheet[at]!;
  const { faults, stands } = parted(planned, amiss);
  const chain = chainOf(sheet, at);
  const course = courseOf(planned, stands(stateBefore(planned, sheet, chain[0]!)), asPlanned);
  const { twin } = course;
  let held: readonly TwinFault[] = [];
  if (heard) twin.site.heard = (asked, said) => heard(asked, held, said);
  const holds = (now: readonly TwinFault[]) => {
    held = now;
    // A fault of the same contact has the last word.
    putFaults(twin, [...held, ...faults]);
  };
  if (faults.length || heard) holds([]);
  for (const n of chain.slice(0, -1)) makes(course, sheet, sheet[n]!);
  if (step.proves) brings(course, step.proves.leaf);
  const stood = comeOf(course);
  const counts = { first: stood.samples.first?.length ?? 0, second: stood.samples.second?.length ?? 0 };
  const happened = twin.brain.events.length;
  const before = faceOf(twin.brain);
  const from = twin.ticks;
  const looks: Look[] = [];
  const { looks: looksAfter } = twin.onlooker;
  if (looksOn)
    twin.onlooker.looks = () => {
      looks.push(faceOf(twin.brain));
      return looksAfter();
    };
  let during: Kept | undefined;
  if (step.trips) during = trips(course, step, holds);
  else makes(course, sheet, step);
  during ??= kept(course);
  const { samples: all } = comeOf(course);
  const samples: Samples = {};
  for (const leaf of bothLeaves) {
    // The last look before the step is where the leaf stood.
    if (all[leaf]) samples[leaf] = all[leaf].slice(Math.max(0, counts[leaf] - 1));
  }
  return {
    ...{ course, before, after: faceOf(during.brain), kept: during, looks, samples },
    seconds: (twin.ticks - from) * tickSeconds,
    events: twin.brain.events.slice(happened),
  };
}

/** A step of which only what it changes is known: the bench before it, and after it. */
function changed(planned: Planned, sheet: readonly Step[], at: number, { amiss = [] }: Playing): StepPlayed {
  const { faults, stands } = parted(planned, amiss);
  const standing = (state: BenchState) => {
    const course = courseOf(planned, stands(state), asPlanned);
    if (faults.length) putFaults(course.twin, faults);
    return course;
  };
  const before = faceOf(standing(stateBefore(planned, sheet, at)).twin.brain);
  const course = standing(sheet[at]!.during);
  return {
    ...{ course, before, after: faceOf(course.twin.brain), kept: kept(course), looks: [] },
    ...{ seconds: 0, events: [], samples: {} },
  };
}

/**
 * Plays a step of a sheet on the moving installation, from where its procedure began, with these things wrong. A step that
 * a profile only claims, and one that no hand makes, is what the sheet says it changes.
 */
export function playStep(
  planned: Planned,
  sheet: readonly Step[],
  at: number,
  how: Playing = {},
): StepPlayed {
  return (isByHand(sheet[at]!) ? played : changed)(planned, sheet, at, how);
}
