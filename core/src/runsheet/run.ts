import type { BoardInput } from "../board/index.ts";
import type { Readings } from "../circuit/index.ts";
import { panelAtRest } from "../panel/index.ts";
import { listed } from "../quantity/index.ts";
import type { BenchState, Planned } from "../state/index.ts";
import { brainOf, make, movesIn, movesText, type Brain, type BrainEvent } from "../twin/index.ts";
import { cardsOf } from "./chosen.ts";
import type { StepDraft } from "./step.ts";

const isTripped = (input: BoardInput, { inputs }: Readings): boolean =>
  (inputs[input.id]?.closed ?? false) !== (input.contact === "closed");

/** The board of a job, running from where it stands at a step. */
export function brainAt(planned: Planned, state: BenchState, readings: Readings): Brain {
  const { board, job } = planned.bundle;
  const brain = brainOf(board, cardsOf(planned), job.survey.leaves.length);
  const leaf = state.leaf ?? "closed";
  return Object.assign(brain, {
    power: state.powered,
    mains: state.supply === "mains",
    battery: state.battery,
    mode: state.mode,
    held: {
      ...Object.fromEntries(state.learned.map((memory) => [memory, 1])),
      ...Object.fromEntries(Object.entries(state.held).filter(([, count]) => count > 0)),
    },
    positions: state.positions,
    inForce: state.inForce,
    noted: state.positions,
    panel: panelAtRest(board, state.positions.values),
    at: { first: leaf, second: leaf },
    tripped: new Set(board.inputs.filter((input) => isTripped(input, readings)).map(({ id }) => id)),
  });
}

const times = (count: number) => (count === 1 ? "once" : count === 2 ? "twice" : `${count} times`);

/** What is seen and heard of what happened, in sentences: movements, and the beeps of the board. */
export function happenedTexts({ board, leaves }: Brain, events: readonly BrainEvent[]): string[] {
  const moves = movesIn(events, leaves);
  const beeps = events.flatMap((event) => (event.kind === "beeps" ? [event] : []));
  const count = beeps.reduce((sum, event) => sum + event.times, 0);
  const long = beeps.some((event) => event.long);
  return [
    ...(moves.length ? [movesText(moves, board)] : []),
    ...(count ? [`The board beeps ${listed([times(count), ...(long ? ["long"] : [])])}.`] : []),
  ];
}

/** Makes a step's gestures on the running board; undefined where one of them cannot be made, or where it holds the step off. */
export function runStep(brain: Brain, step: StepDraft): readonly BrainEvent[] | undefined {
  brain.events = [];
  const made = (step.gestures ?? []).every((gesture) => make(brain, gesture));
  const refused = brain.events.some(({ kind }) => kind === "refused" || kind === "held-off");
  return made && !refused ? brain.events : undefined;
}
