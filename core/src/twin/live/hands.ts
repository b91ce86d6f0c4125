import { actsAfter, pressesInRow } from "../brain/index.ts";
import { tickSeconds } from "../step/index.ts";
import { happens, stepOf, type Course, type RunDone } from "../run/index.ts";

/** Shorter than this it is a press, longer a hold, s. */
export const shortestHold = 0.6;
/** So long a further press is waited for where several in a row mean something of their own, s. */
const untilNextPress = 0.45;
/** The longest hold a board is told of, s. */
const longestHold = 120;

/** What is done, its time left out: it is done now. */
export type LiveAct = Omit<RunDone, "at">;

interface Held {
  key: string;
  since: number;
  /** The leaves move for as long as it is held. */
  moves: boolean;
  /** Its hold has done what it does, though it goes on. */
  acted: boolean;
  /** The step at which its hold does something, whether it goes on or not. */
  actsAt: number;
}

/**
 * Keys of a running board as fingers work them: what a press, a hold or several presses in a row mean, in the time of the
 * board. Everything that is made of them is noted with `note`, so that it can be done again.
 */
export class Hands {
  private held: Held | undefined;
  private presses: { key: string; times: number; until: number } | undefined;

  constructor(
    private readonly course: Course,
    private readonly note: (act: LiveAct) => void,
  ) {}

  private get now(): number {
    return this.course.twin.ticks;
  }

  private does(act: LiveAct): void {
    this.note(act);
    happens(this.course, { at: this.now * tickSeconds, ...act });
  }

  /** The step at which something is meant by what was pressed, or is held; Infinity where nothing is. */
  get due(): number {
    return Math.min(
      this.presses?.until ?? Infinity,
      this.held?.acted ? Infinity : (this.held?.actsAt ?? Infinity),
    );
  }

  /** True while a key is down, or another press is waited for: whoever lets time run does so no faster than it is. */
  get busy(): boolean {
    return this.held !== undefined || this.presses !== undefined;
  }

  /** How long the key that is down has been held, s, as the board counts it; undefined where none is. */
  get seconds(): number | undefined {
    return this.held && (this.now - this.held.since) * tickSeconds;
  }

  /** Presses that wait for another mean what they are. */
  settle(): void {
    const { presses } = this;
    this.presses = undefined;
    if (presses) this.does({ do: { press: { key: presses.key, times: presses.times } } });
  }

  /** What is due by now. */
  acts(): void {
    if (this.presses && this.presses.until <= this.now) this.settle();
    const { held } = this;
    if (!held || held.acted || held.actsAt > this.now) return;
    held.acted = true;
    this.does({ do: { hold: { key: held.key, seconds: (held.actsAt - held.since) * tickSeconds } } });
  }

  down(key: string): void {
    if (this.held) this.up();
    if (this.presses && this.presses.key !== key) this.settle();
    const { brain } = this.course.twin;
    const after = actsAfter(brain, key);
    const actsAt = after === undefined ? Infinity : this.now + stepOf(after);
    this.does({ key: { key, goes: "down" } });
    this.held = { key, since: this.now, moves: brain.run?.because === "held", acted: false, actsAt };
  }

  up(): void {
    const { held } = this;
    if (!held) return;
    this.held = undefined;
    this.does({ key: { key: held.key, goes: "up" } });
    if (held.moves || held.acted) return;
    const seconds = Math.min(longestHold, (this.now - held.since) * tickSeconds);
    if (seconds < shortestHold) this.pressed(held.key);
    else {
      this.settle();
      this.does({ do: { hold: { key: held.key, seconds } } });
    }
  }

  private pressed(key: string): void {
    const times = (this.presses?.times ?? 0) + 1;
    this.presses = { key, times, until: this.now + stepOf(untilNextPress) };
    if (times >= pressesInRow(this.course.twin.brain, key)) this.settle();
  }
}
