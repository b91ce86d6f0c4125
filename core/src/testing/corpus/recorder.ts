import type { End } from "../../board/index.ts";
import type { Brain, BrainEvent } from "../../twin/index.ts";
import { edgeOf, type Plant } from "../../twin/plant/index.ts";
import { tickSeconds, twinDoes, twinRuns, type Twin } from "../../twin/step/index.ts";

/** Seconds from one sample to the next. */
export const sampleSeconds = 0.05;

/** How an installation stood in a moment. */
export interface Sample {
  /** Seconds since it began. */
  at: number;
  /** Way of each leaf's edge from closed, m. */
  edges: readonly number[];
  /** What is put on each drive, V. */
  volts: readonly number[];
  /** Where the board has its leaves go. */
  toward: End | undefined;
}

/** A run as it was played and looked at. Nothing is kept of what the board says of itself but its order and its events. */
export interface Recording {
  name: string;
  samples: readonly Sample[];
  /** When something was done to it, s, by name. */
  marks: Readonly<Record<string, number>>;
  events: readonly (BrainEvent & { seconds: number })[];
  /** Way of each leaf's edge from closed to open, m. */
  ways: readonly number[];
  /** How two leaves lie over one another where they do. */
  overlap: Plant["overlap"];
}

/** Looks on as a twin is played with, twenty times a second. */
export class Recorder {
  private readonly samples: Sample[] = [];
  private readonly marks: Record<string, number> = {};
  private readonly events: (BrainEvent & { seconds: number })[] = [];
  private told = 0;

  constructor(
    private readonly name: string,
    readonly twin: Twin,
  ) {
    const each = Math.round(sampleSeconds / tickSeconds);
    twin.onlooker = {
      at: twin.ticks,
      looks: () => {
        this.look();
        return twin.ticks + each;
      },
    };
    this.look();
  }

  private get seconds() {
    return this.twin.ticks * tickSeconds;
  }

  private look(): void {
    const { brain, plant } = this.twin;
    const leaves = Object.values(plant.leaves);
    this.samples.push({
      at: this.seconds,
      edges: leaves.map(edgeOf),
      volts: leaves.map(({ drive }) => drive.volts),
      toward: brain.run?.toward,
    });
    for (; this.told < brain.events.length; this.told += 1)
      this.events.push({ ...brain.events[this.told]!, seconds: this.seconds });
  }

  /** Does something at the board, under a name. */
  act(mark: string, act: (brain: Brain) => void): this {
    this.mark(mark);
    twinDoes(this.twin, act);
    this.look();
    return this;
  }

  /** Keeps this moment under a name. */
  mark(name: string): this {
    this.marks[name] = this.seconds;
    return this;
  }

  /** Lets it run until this holds, or so long at most. */
  runUntil(holds: (twin: Twin) => boolean, most: number): this {
    for (let n = 0; n < most / 0.1 && !holds(this.twin); n += 1) twinRuns(this.twin, 0.1);
    return this;
  }

  /** Lets it run until its leaves stand, or so long at most. */
  runUntilIdle(most = 150): this {
    twinRuns(this.twin, 0.2);
    return this.runUntil(({ brain }) => !brain.run, most);
  }

  /** Lets it run so long. */
  run(seconds: number): this {
    twinRuns(this.twin, seconds);
    return this;
  }

  /** What was seen. */
  recording(): Recording {
    this.look();
    const { name, samples, marks, events } = this;
    const { leaves, overlap } = this.twin.plant;
    const ways = Object.values(leaves).map(({ body }) => body.travel * body.arm);
    return { name, samples, marks, events, ways, overlap };
  }
}
