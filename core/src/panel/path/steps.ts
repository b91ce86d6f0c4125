import type { Gesture } from "../../board/index.ts";
import { panelAfter, panelWaits } from "../machine.ts";
import { panelShows, type PanelState } from "../state.ts";
import { gestureMs } from "./cost.ts";
import { edgesFrom, type Walk } from "./edges.ts";
import type { Way } from "./search.ts";

/** One gesture of a way, with where the panel stands before and after it. */
export interface KeyStep {
  made: Gesture;
  ms: number;
  before: PanelState;
  after: PanelState;
  /** What the display shows then, line by line; undefined outside of the menus. */
  shows: string[] | undefined;
  /**
   * How many times the gesture has been made since the last screen that cannot be mistaken: counted because a slip would
   * show the same. Left out where the screen tells.
   */
  counted?: number;
}

/** What one gesture, or a wait, makes of the panel. */
export const stepOf = ({ board, ask }: Walk, state: PanelState, made: Gesture): PanelState =>
  "wait" in made ? panelWaits(board, state, made.wait).state : panelAfter(board, ask, state, made).state;

const placeOf = ({ path, editing }: PanelState) => JSON.stringify([path, editing]);

/** True where a slip among the entries shows the same as the right press: one that was missed, or one made twice. */
function isBlind(walk: Walk, { made, before, after }: KeyStep): boolean {
  const shows = (state: PanelState) => JSON.stringify(panelShows(walk.board, state));
  const alike = (state: PanelState) => placeOf(state) !== placeOf(after) && shows(state) === shows(after);
  if (!after.path.length || before.editing !== undefined || after.editing !== undefined) return false;
  if (before.path.length && alike(before)) return true;
  const again = edgesFrom(walk, after).find((edge) => JSON.stringify(edge.made[0]) === JSON.stringify(made));
  return again !== undefined && again.to.editing === undefined && alike(again.to);
}

/**
 * The same gestures with the holds of one value before its single presses, so that what a hold overshoots the presses
 * mend; as they were where that comes to something else.
 */
function holdsFirst(walk: Walk, from: PanelState, made: readonly Gesture[]): readonly Gesture[] {
  const states = made.reduce<PanelState[]>((all, each) => [...all, stepOf(walk, all.at(-1)!, each)], [from]);
  const runs = (at: number) => states[at]?.editing !== undefined && states[at + 1]?.editing !== undefined;
  const first = made.findIndex((_, at) => runs(at));
  if (first < 0) return made;
  const end = made.findIndex((_, at) => at > first && !runs(at));
  const part = made.slice(first, end < 0 ? undefined : end);
  const sorted = [...part.filter((each) => "hold" in each), ...part.filter((each) => !("hold" in each))];
  const ends = sorted.reduce((state, each) => stepOf(walk, state, each), states[first]!);
  const same = ends.editing === states[first + part.length]?.editing;
  return same ? [...made.slice(0, first), ...sorted, ...made.slice(first + part.length)] : made;
}

/** A way gesture by gesture, each with the screen that follows it; what must be counted carries its count. */
export function stepsOf(walk: Walk, from: PanelState, { edges }: Way): KeyStep[] {
  const steps: KeyStep[] = [];
  let state = from;
  for (const made of holdsFirst(
    walk,
    from,
    edges.flatMap((edge) => edge.made),
  )) {
    const after = stepOf(walk, state, made);
    const step: KeyStep = {
      made,
      ms: gestureMs(made),
      before: state,
      after,
      shows: panelShows(walk.board, after),
    };
    const last = steps.at(-1);
    const same = last && JSON.stringify(last.made) === JSON.stringify(made);
    if (isBlind(walk, step)) step.counted = same && last.counted !== undefined ? last.counted + 1 : 1;
    steps.push(step);
    state = after;
  }
  return steps;
}
