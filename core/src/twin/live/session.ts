import type { BenchState, Planned } from "../../state/index.ts";
import { tickSeconds, twinRuns } from "../step/index.ts";
import {
  comeOf,
  courseOf,
  engineVersion,
  happens,
  runFormat,
  stepOf,
  type Course,
  type Played,
  type Run,
  type RunDone,
} from "../run/index.ts";
import { Hands, type LiveAct } from "./hands.ts";

/** How a live bench begins: from where, and by what chance it varies. */
export type LiveStart = Pick<Run, "seed" | "spread" | "from">;

/** Longest that is waited for something to happen, s. */
const longestWait = 900;

/**
 * An installation that runs on a live bench. Whatever is done at it is noted at its moment, so that it can be kept as a run
 * and comes to the same end when it is played again.
 */
export class Session {
  readonly course: Course;
  private readonly hands: Hands;
  private readonly script: RunDone[] = [];

  constructor(
    planned: Planned,
    state: BenchState,
    private readonly start: LiveStart,
  ) {
    this.course = courseOf(planned, state, { ...start, live: true });
    this.hands = new Hands(this.course, (act) => this.note(act));
  }

  get seconds(): number {
    return this.course.twin.ticks * tickSeconds;
  }

  /** True while fingers are at the keys: time runs as it is then, however fast it was set. */
  get busy(): boolean {
    return this.hands.busy;
  }

  /** How long the key that is down has been held, s, as the board counts it; undefined where none is. */
  get held(): number | undefined {
    return this.hands.seconds;
  }

  private note(act: LiveAct): void {
    this.script.push({ at: this.seconds, ...act });
  }

  /** Something is done, now. */
  does(act: LiveAct): void {
    this.hands.settle();
    this.note(act);
    happens(this.course, { at: this.seconds, ...act });
  }

  key(key: string, goes: "down" | "up"): void {
    if (goes === "down") this.hands.down(key);
    else this.hands.up();
  }

  /** Lets time run, s. */
  runs(seconds: number): void {
    const { twin } = this.course;
    const last = twin.ticks + stepOf(seconds);
    while (twin.ticks < last) {
      const until = Math.max(twin.ticks + 1, Math.min(last, this.hands.due));
      twinRuns(twin, (until - twin.ticks) * tickSeconds);
      this.hands.acts();
    }
  }

  /** Lets time run until something happens at the board, or has not for long; true where it did. */
  runsToEvent(): boolean {
    const { brain } = this.course.twin;
    const before = brain.events.length;
    for (let waited = 0; waited < longestWait && brain.events.length === before; waited += 0.1)
      this.runs(0.1);
    return brain.events.length > before;
  }

  /** What has come of it until now. */
  come(): Played {
    return comeOf(this.course);
  }

  /** All that was done, as a run that plays it again. */
  run(): Run {
    return {
      ...{ format: runFormat, engine: engineVersion, live: true, ...this.start },
      ...{ seconds: Math.max(tickSeconds, this.seconds), script: [...this.script] },
    };
  }
}
