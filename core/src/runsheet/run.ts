import { movingThing, type BoardInput, type BoardProfile, type Purpose } from "../board/index.ts";
import type { Readings } from "../circuit/index.ts";
import { panelAtRest } from "../panel/index.ts";
import { listed, sentence } from "../quantity/index.ts";
import type { BenchState, Planned } from "../state/index.ts";
import { brainOf, make, movesIn, type Brain, type BrainEvent } from "../twin/index.ts";
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

const ways: Record<string, string> = { open: "opens", closed: "closes" };
/** More runs than this are counted, not listed. */
const mostListed = 4;

/** What moves, as the board's own words have it: rooflights move in groups. */
const movers: Partial<Record<Purpose, { all: string; one: string }>> = {
  rooflight: { all: "every rooflight", one: "group" },
};

/** "The gate opens, then closes"; of two leaves that move one by one, "Leaf 1 opens, then leaf 2 opens". */
function movesText(moves: readonly string[], board: BoardProfile): string {
  const { all, one } = movers[board.purpose] ?? { all: `the ${movingThing(board)}`, one: "leaf" };
  const texts = moves.map((move) => {
    const [way = "", leaf] = move.split(" ");
    return leaf ? `${one} ${leaf} ${ways[way]}` : (ways[way] ?? "");
  });
  const [first = "", second = ""] = texts;
  if (moves.length > mostListed && !first.includes(" "))
    return sentence(
      `${all} ${first} and ${second} in turn, ${moves.length} runs; the last one ${texts.at(-1)}.`,
    );
  return sentence(`${first.includes(" ") ? "" : `${all} `}${texts.join(", then ")}.`);
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
