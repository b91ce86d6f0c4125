import { menuValues, type BoardProfile, type Gesture, type Menu, type MenuItem } from "../board/index.ts";

/** One menu on the way in, and the entry its display is at. */
interface Level {
  menu: string;
  entry: number;
}

/** Where someone stands in a board's menus, and what is changed and not kept yet. */
export interface PanelState {
  /** The menus passed on the way, the outermost first; empty outside of all menus. */
  path: readonly Level[];
  /** What the display shows of an entry's value while it is being changed. */
  editing?: string;
  /** What each value shows, by its entry. */
  values: Readonly<Record<string, string>>;
  /** The same as it was last kept: what is left unsaved reverts to it. */
  kept: Readonly<Record<string, string>>;
  /** Gestures made outside that may be the beginning of a way in. */
  begun: readonly Gesture[];
}

/** What came of a gesture or of waiting. */
export type PanelEvent =
  | { kind: "opened"; menu: string }
  | { kind: "left" }
  | { kind: "kept"; values: Readonly<Record<string, string>> }
  | { kind: "reverted"; items: readonly string[] }
  | { kind: "started"; program: string }
  /** Outside of every menu a key does what it does there, such as moving the leaf. */
  | { kind: "outside"; key: string };

export interface PanelStep {
  state: PanelState;
  events: readonly PanelEvent[];
}

/** A panel outside of its menus, its values as delivered or as they were found. */
export function panelAtRest(board: BoardProfile, found: Readonly<Record<string, string>> = {}): PanelState {
  const delivered = Object.fromEntries(menuValues(board).map(({ item, delivered: at }) => [item.id, at]));
  const values = { ...delivered, ...found };
  return { path: [], values, kept: values, begun: [] };
}

/** The menu someone stands in; undefined outside. */
export const menuAt = (board: BoardProfile, { path }: PanelState): Menu | undefined =>
  board.panel?.menus.find(({ id }) => id === path.at(-1)?.menu);

/** The entry the display is at; undefined outside. */
export const entryAt = (board: BoardProfile, state: PanelState): MenuItem | undefined =>
  menuAt(board, state)?.items[state.path.at(-1)!.entry];

/** What stands on the display while someone is in a menu, line by line; undefined outside. */
export function panelShows(board: BoardProfile, state: PanelState): string[] | undefined {
  const item = entryAt(board, state);
  if (!item) return undefined;
  const value = state.editing ?? state.values[item.id];
  if (value === undefined) return [item.shows];
  if ((board.display?.lines ?? 1) > 1) return [item.shows, value];
  return [state.editing === undefined ? item.shows : value];
}

/** True while nothing is shown that would revert. */
export const isSaved = ({ values, kept }: Pick<PanelState, "values" | "kept">): boolean =>
  values === kept || Object.keys(values).every((id) => values[id] === kept[id]);

/** Outside of every menu, with nothing begun that is not kept. */
export const isIdle = (state: PanelState): boolean => state.path.length === 0 && isSaved(state);
