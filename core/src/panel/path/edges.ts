import type { BoardProfile, Circumstances, Gesture, Panel } from "../../board/index.ts";
import { movesAt, panelAfter, panelAfterEach, panelWaits, type Move } from "../machine.ts";
import { entryAt, menuAt, type PanelEvent, type PanelState, type PanelStep } from "../state.ts";
import { gestureMs } from "./cost.ts";
import { runTo } from "./run.ts";

/** The board whose panel is walked, what holds at it, and the one entry whose value may change, to this and no other. */
export interface Walk {
  board: BoardProfile;
  panel: Panel;
  ask: Circumstances;
  /** Left out, nothing may change: the way leads out, or to an entry. */
  item?: string;
  to?: string;
}

/** One gesture that may be made where the panel stands, what comes of it, and what it costs. */
export interface Edge {
  made: readonly Gesture[];
  to: PanelState;
  ms: number;
}

const isSave = ({ board }: Walk, id: string) =>
  board.commits.some(({ by }) => "choose" in by && by.choose.item === id);

/** True where nothing moves, nothing starts but the saving, and no value but the one that is meant is kept otherwise. */
function isSafe(walk: Walk, from: PanelState, { state, events }: PanelStep): boolean {
  const harmless = (event: PanelEvent) => {
    if (event.kind === "outside" || event.kind === "reverted") return false;
    if (event.kind === "started") return isSave(walk, entryAt(walk.board, from)?.id ?? "");
    if (event.kind !== "kept") return true;
    return Object.entries(event.values).every(([id, to]) => id === walk.item || from.values[id] === to);
  };
  if (!events.every(harmless)) return false;
  return Object.keys(state.values).every((id) => id === walk.item || state.values[id] === from.values[id]);
}

/** What follows by itself: a stored value is kept after a while, and keys meanwhile would be lost. */
function settled({ panel }: Walk, made: readonly Gesture[], { events }: PanelStep): readonly Gesture[] {
  const kept = events.some(({ kind }) => kind === "kept");
  return panel.storing && kept ? [...made, { wait: panel.storing.seconds }] : made;
}

/** Gestures in a menu that may be part of a way: to walk, to open what leads on, to change the one value, to go back. */
function within(walk: Walk, state: PanelState): Gesture[] {
  const { board, panel, item: wanted, to } = walk;
  const menu = menuAt(board, state)!;
  const item = entryAt(board, state)!;
  const mine = item.id === wanted;
  const useful = (move: Move) => {
    if (move === "more" || move === "less") return false;
    // A wizard is passed by its answers as they stand; elsewhere only the meant value is stored.
    if (move === "confirm") return mine ? state.editing === to : menu.kind === "wizard";
    if (move === "into")
      return (
        item.menu !== undefined || mine || (menu.kind === "wizard" && !item.does) || isSave(walk, item.id)
      );
    return true;
  };
  const gestures = movesAt({ panel }, menu, state).flatMap(({ by, value }) =>
    by && useful(value) ? [by] : [],
  );
  return gestures;
}

/** Waits that something comes of: the pause that stores a value, and the time-out as a way out where there is no other. */
function waiting({ panel, to }: Walk, state: PanelState): number[] {
  const { stores, pauseSeconds, timeoutSeconds } = panel;
  if (stores === "after a pause" && state.editing !== undefined)
    return state.editing === to ? [pauseSeconds ?? 0] : [];
  return timeoutSeconds === undefined || state.editing !== undefined ? [] : [timeoutSeconds];
}

/** Every safe gesture from where the panel stands; a value that is being changed is brought to what it shall be in one go. */
export function edgesFrom(walk: Walk, state: PanelState): Edge[] {
  const { board, panel, ask } = walk;
  const edge = (made: readonly Gesture[], step: PanelStep): Edge[] => {
    if (!isSafe(walk, state, step)) return [];
    const all = settled(walk, made, step);
    return [{ made: all, to: step.state, ms: all.reduce((sum, each) => sum + gestureMs(each), 0) }];
  };
  if (!state.path.length)
    return panel.opens.flatMap(({ by }) => {
      const step = panelAfterEach(board, ask, state, by);
      return step.state.path.length ? edge(by, step) : [];
    });
  const item = entryAt(board, state)!;
  if (
    state.editing !== undefined &&
    item.id === walk.item &&
    walk.to !== undefined &&
    state.editing !== walk.to
  ) {
    const made = runTo(panel, item, state.editing, walk.to);
    return made ? edge(made, panelAfterEach(board, ask, state, made)) : [];
  }
  return [
    ...within(walk, state).flatMap((made) => edge([made], panelAfter(board, ask, state, made))),
    ...waiting(walk, state).flatMap((wait) => edge([{ wait }], panelWaits(board, state, wait))),
  ];
}
