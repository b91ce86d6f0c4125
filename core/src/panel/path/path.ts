import type { BoardProfile, Circumstances, Gesture, Menu, MenuItem } from "../../board/index.ts";
import { entryAt, isIdle, panelAtRest, type PanelState } from "../state.ts";
import type { Walk } from "./edges.ts";
import { quickestWay } from "./search.ts";
import { stepsOf, type KeyStep } from "./steps.ts";

/** A value that is to be changed: its entry, and what it is to show. */
export interface Change {
  item: string;
  to: string;
}

/** Keys that set one value, from where the panel stands to the board at rest again. */
export interface KeyPath extends Change {
  steps: KeyStep[];
  ms: number;
  /** Keys that look at the value once more, where a screen on the way had to be counted; otherwise none. */
  readBack: KeyStep[];
}

/** The gesture that opens or starts an entry. */
export const openingOf = ({ panel }: BoardProfile, menu: Menu, item: MenuItem): Gesture | undefined =>
  item.by ?? menu.into ?? panel?.into;

/**
 * The quickest gestures that bring the display to an entry from where the panel stands; undefined where none do. They
 * change no value on the way, and start nothing.
 */
export function wayToEntry(
  board: BoardProfile,
  ask: Circumstances,
  from: PanelState,
  entry: string,
): Gesture[] | undefined {
  const { panel } = board;
  if (!panel) return undefined;
  const at = (state: PanelState) => state.editing === undefined && entryAt(board, state)?.id === entry;
  return quickestWay({ board, panel, ask }, from, at)?.edges.flatMap(({ made }) => made);
}

/** Every entry to which such gestures bring the display from where the panel stands. */
export function entriesReached(
  board: BoardProfile,
  ask: Circumstances,
  from: PanelState,
): ReadonlySet<string> {
  const { panel } = board;
  const reached = new Set<string>();
  if (!panel) return reached;
  quickestWay({ board, panel, ask }, from, (state) => {
    const entry = state.editing === undefined ? entryAt(board, state) : undefined;
    if (entry) reached.add(entry.id);
    return false;
  });
  return reached;
}

const sum = (steps: readonly KeyStep[]) => steps.reduce((all, { ms }) => all + ms, 0);

/** Goes to the value again, looks at it and leaves it as it is. */
export function readBack(walk: Omit<Walk, "item">, from: PanelState, { item, to }: Change): KeyStep[] {
  const look: Walk = { ...walk, item };
  const there = quickestWay(
    look,
    from,
    (state) => state.editing === to && entryAt(walk.board, state)?.id === item,
  );
  const back = there && quickestWay(walk, there.to, isIdle);
  return there && back ? [...stepsOf(look, from, there), ...stepsOf(walk, there.to, back)] : [];
}

/**
 * The quickest safe keys from where the panel stands to a value that is kept, and out again: nothing moves, nothing starts
 * but the saving, no other value changes. Undefined where no keys lead there: on a board without a panel, in an app, or
 * where the entry is not shown or cannot show the value.
 */
export function keyPath(
  board: BoardProfile,
  ask: Circumstances,
  { item, to }: Change,
  from: PanelState = panelAtRest(board),
): KeyPath | undefined {
  const { panel } = board;
  if (!panel) return undefined;
  const walk: Walk = { board, panel, ask, item, to };
  const way = quickestWay(walk, from, (state) => isIdle(state) && state.kept[item] === to);
  if (!way) return undefined;
  const steps = stepsOf(walk, from, way);
  const counted = steps.some((step) => step.counted !== undefined);
  return {
    item,
    to,
    steps,
    ms: sum(steps),
    readBack: counted ? readBack({ board, panel, ask }, way.to, { item, to }) : [],
  };
}
