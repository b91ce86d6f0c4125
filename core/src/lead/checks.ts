import {
  conditionHolds,
  conditionMust,
  entryName,
  gestureText,
  handlesOf,
  labelsOf,
  menuValues,
  reactionsOf,
  type Gesture,
} from "../board/index.ts";
import { movedControls, type Positions } from "../controls/index.ts";
import type { StateEffect } from "../job/index.ts";
import type { Step } from "../runsheet/index.ts";
import { askOf, isInputOff, placeOf, type Brain, type BrainEvent } from "../twin/index.ts";

/** What has happened at a running board since a step became the one at hand, and where its last event was looked for. */
export interface Since {
  brain: Brain;
  events: readonly BrainEvent[];
}

type Check = (since: Since) => boolean;

/** True where every value of the menus is kept as it should be by now: none waits to be saved, none was given up. */
const isSaved = ({ panel, positions }: Brain, { values }: Positions): boolean =>
  Object.entries(panel.values).every(([id, shows]) => panel.kept[id] === shows) &&
  Object.entries(values).every(([id, shows]) => (positions.values[id] ?? shows) === shows);

const isStill = ({ brain }: Since): boolean => !brain.run && !brain.running;

const moved =
  (toward?: "open" | "closed"): Check =>
  ({ events }) =>
    events.some((event) => event.kind === "moves" && (toward === undefined || event.toward === toward));

/** What is seen of an effect at a running board; undefined for one that nothing there tells. */
function effectCheck(effect: StateEffect, { during }: Step): Check | undefined {
  switch (effect.kind) {
    case "power":
      return ({ brain }) => brain.power === effect.on;
    case "switches":
    case "dials":
    case "values":
      return ({ brain: { positions, panel } }) =>
        Object.entries(effect.to).every(
          // A value that is changed and waits to be saved is changed.
          ([id, to]) =>
            positions[effect.kind][id] === to || (effect.kind === "values" && panel.values[id] === to),
        );
    case "commit":
      return ({ brain }) =>
        movedControls(brain.positions, brain.inForce)[effect.which].length === 0 &&
        (effect.which !== "values" || isSaved(brain, during.positions));
    case "learn":
    case "add":
      return ({ brain }) => (brain.held[effect.what] ?? 0) > 0;
    case "forget":
      return ({ brain }) => (brain.held[effect.what] ?? 0) === 0;
    case "mode":
      return effect.mode === "idle"
        ? ({ brain }) => brain.mode === "idle"
        : ({ brain, events }) =>
            brain.mode === effect.mode ||
            events.some((event) => event.kind === "mode" && event.mode === effect.mode);
    default:
      return undefined;
  }
}

const isPlaced = (gesture: Gesture): boolean => "place" in gesture;
const isCycle = (gesture: Gesture): boolean => "command" in gesture && gesture.command === "full cycle";

/** What is seen of leaves that a step moves; nothing where something else tells closer that it was done. */
function leafChecks({ gestures = [], effects, id }: Step, others: number, goesOn: boolean): Check[] {
  const [at] = effects.flatMap((effect) => (effect.kind === "leaf" ? [effect.at] : []));
  if (gestures.some(isCycle)) return [moved("open"), moved("closed"), isStill];
  if (at === undefined) return [];
  if (gestures.some(isPlaced)) return [({ brain }) => placeOf(brain) === at, isStill];
  if (others > 0 || id.startsWith("set:")) return [];
  return goesOn ? [moved()] : [moved(), isStill];
}

/** Everything that must be so at a running board for a step to count as done; nothing for one that only someone can tell. */
export function checksOf(step: Step, goesOn: boolean): Check[] {
  const effects = step.effects.flatMap((effect) => effectCheck(effect, step) ?? []);
  return [...effects, ...leafChecks(step, effects.length, goesOn)];
}

const nameOf = ({ board }: Brain, kind: keyof Positions, id: string): string => {
  const entry = menuValues(board).find(({ item }) => item.id === id);
  return kind === "values" && entry ? entryName(entry.item) : labelsOf(board).control(id);
};

/** Controls that stand neither as they should by now nor as they did before the step; a value that waits to be saved stands. */
export function strayControls(brain: Brain, before: Positions, during: Positions): string[] {
  const now: Positions = { ...brain.positions, values: { ...brain.positions.values, ...brain.panel.values } };
  return (["switches", "dials", "values"] as const).flatMap((kind) =>
    Object.entries(now[kind])
      .filter(([id, at]) => at !== before[kind][id] && at !== during[kind][id])
      .map(
        ([id, at]) => `${nameOf(brain, kind, id)} stands at ${at}: it belongs at ${during[kind][id] ?? at}.`,
      ),
  );
}

/** How a menu that still stands open is left, for a step that is none of its. */
export function stillOpen({ board, panel }: Brain): string[] {
  const [level] = panel.path;
  const menu = board.panel?.menus.find(({ id }) => id === level?.menu);
  if (!menu) return [];
  const { back } = board.panel ?? {};
  const out = back
    ? `${gestureText(back, handlesOf(board))} until it is left`
    : "wait until it closes by itself";
  return [`${menu.label} still stands open, and keys act in it: ${out}.`];
}

/** A program that runs while a value is to be set: someone slipped into it. */
export const inProgram = ({ running }: Brain): string[] =>
  running
    ? [
        `It is at something else: ${running.program.label}. Let it come to its end, or take its power and begin again.`,
      ]
    : [];

/** What a step needs and is not so. */
export const unmetNeeds = (brain: Brain, { needs = [] }: Pick<Step, "needs">): string[] =>
  needs
    .filter((need) => !conditionHolds(need, askOf(brain)))
    .map((need) => `First: ${conditionMust(need, labelsOf(brain.board))}.`);

/** Protections that read open, by which nothing may move. */
export const openGuards = (brain: Brain): string[] =>
  brain.board.inputs
    .filter(
      (input) => brain.tripped.has(input.id) && reactionsOf(input).length > 0 && !isInputOff(brain, input),
    )
    .map(({ label, terminal }) => `${label} at ${terminal} reads open: it may hold the leaf.`);
