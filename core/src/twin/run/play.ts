import type { BenchState, Planned } from "../../state/index.ts";
import { tickSeconds, twinRuns } from "../step/index.ts";
import {
  comeOf,
  courseOf,
  happens,
  looksAt,
  lookSeconds,
  nextLook,
  stepOf,
  type Course,
  type Played,
} from "./course.ts";
import type { Run, RunDone } from "./schema.ts";

/** What someone does with both hands takes its time, and the next thing waits; on a live bench nothing does. */
const isByHand = ({ live }: Run, { do: gesture, key }: RunDone): boolean =>
  !live && (gesture !== undefined || key !== undefined);

const isDue = (script: readonly RunDone[], { ticks }: Course["twin"]): boolean =>
  script[0] !== undefined && stepOf(script[0].at) <= ticks;

/** Plays what comes from outside at its time, in the middle of a gesture too. */
function comesInTime(course: Course, outside: RunDone[]): void {
  const { twin } = course;
  const arrives = () => {
    while (isDue(outside, twin)) happens(course, outside.shift()!);
  };
  const next = () => Math.min(nextLook(twin), outside[0] ? stepOf(outside[0].at) : Infinity);
  arrives();
  twin.onlooker.at = next();
  twin.onlooker.looks = () => {
    if (twin.ticks % stepOf(lookSeconds) === 0) looksAt(course);
    arrives();
    return next();
  };
}

/**
 * Plays a run on a job as it stands, look by look; now and then it gives the part that is done, so that whoever plays it may
 * tell, or stop. At one moment what comes from outside is first. What a script asks for that the job has not, an input or a
 * memory, changes nothing.
 */
export function* plays(planned: Planned, state: BenchState, run: Run): Generator<number, Played> {
  const course = courseOf(planned, state, run);
  const { twin } = course;
  const script = [...run.script].sort((a, b) => a.at - b.at);
  const byHand = script.filter((each) => isByHand(run, each));
  comesInTime(
    course,
    script.filter((each) => !isByHand(run, each)),
  );
  const last = stepOf(run.seconds);
  while (twin.ticks < last) {
    while (isDue(byHand, twin)) happens(course, byHand.shift()!);
    const due = byHand[0] ? stepOf(byHand[0].at) : last;
    const until = Math.min(last, due, twin.ticks + stepOf(lookSeconds));
    twinRuns(twin, (until - twin.ticks) * tickSeconds);
    yield twin.ticks / last;
  }
  return comeOf(course);
}
