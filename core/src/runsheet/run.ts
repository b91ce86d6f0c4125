import { listed } from "../quantity/index.ts";
import { make, movesIn, movesText, type Brain, type BrainEvent } from "../twin/index.ts";
import type { Seen, StepDraft } from "./step.ts";

const times = (count: number) => (count === 1 ? "once" : count === 2 ? "twice" : `${count} times`);

/** What is seen and heard of what happened, in sentences: movements, and the beeps of the board. */
export function happenedSeen({ board, leaves }: Brain, events: readonly BrainEvent[]): Seen[] {
  const moves = movesIn(events, leaves);
  const beeps = events.flatMap((event) => (event.kind === "beeps" ? [event] : []));
  const count = beeps.reduce((sum, event) => sum + event.times, 0);
  const long = beeps.some((event) => event.long);
  return [
    ...(moves.length ? [{ kind: "text" as const, text: movesText(moves, board), moves: true as const }] : []),
    ...(count
      ? [
          {
            kind: "text" as const,
            text: `The board beeps ${listed([times(count), ...(long ? ["long"] : [])])}.`,
          },
        ]
      : []),
  ];
}

/** Makes a step's gestures on the running board; undefined where one of them cannot be made, or where it holds the step off. */
export function runStep(brain: Brain, step: StepDraft): readonly BrainEvent[] | undefined {
  brain.events = [];
  const made = (step.gestures ?? []).every((gesture) => make(brain, gesture));
  const refused = brain.events.some(({ kind }) => kind === "refused" || kind === "held-off");
  return made && !refused ? brain.events : undefined;
}
