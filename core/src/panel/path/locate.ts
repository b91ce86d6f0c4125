import { displayPositions, type BoardProfile, type Circumstances, type Gesture } from "../../board/index.ts";
import { movesAt, panelAfter, panelAfterEach } from "../machine.ts";
import { entryAt, menuAt, panelShows, type PanelState } from "../state.ts";

const keyOf = ({ path, editing }: PanelState) => JSON.stringify([path, editing ?? null]);

/** Every place of the menus that keys lead to, with no value begun; the first is outside. */
function places(board: BoardProfile, ask: Circumstances, rest: PanelState): PanelState[] {
  const { panel } = board;
  const seen = new Map([[keyOf(rest), rest]]);
  const queue = [rest];
  for (let at = queue.shift(); at && panel; at = queue.shift()) {
    const menu = menuAt(board, at);
    const item = entryAt(board, at);
    const made: Gesture[][] = menu
      ? movesAt({ panel }, menu, at).flatMap(({ by, value }) =>
          by && (value === "next" || value === "previous" || (value === "into" && item?.menu)) ? [[by]] : [],
        )
      : panel.opens.map(({ by }) => by);
    for (const each of made) {
      const { state } = panelAfterEach(board, ask, at, each);
      if (!state.path.length || seen.has(keyOf(state))) continue;
      seen.set(keyOf(state), state);
      queue.push(state);
    }
    // A wizard goes on to its next question by an answer.
    if (menu?.kind === "wizard")
      menu.items.forEach((_, entry) => {
        const state = { ...at, path: [...at.path.slice(0, -1), { ...at.path.at(-1)!, entry }] };
        if (!seen.has(keyOf(state))) {
          seen.set(keyOf(state), state);
          queue.push(state);
        }
      });
  }
  return [...seen.values()];
}

/** Every screen that a panel can show in its menus, values being changed among them, each where it can stand. */
function screens(board: BoardProfile, ask: Circumstances, rest: PanelState): PanelState[] {
  return places(board, ask, rest).flatMap((state) => {
    const item = entryAt(board, state);
    const editing = item ? displayPositions(item).map((shows) => ({ ...state, editing: shows })) : [];
    return state.path.length ? [state, ...editing] : [];
  });
}

const text = (lines: readonly string[] | undefined) => lines?.join("|").trim();

/** True where a screen reads as someone says: line by line, as many as they say, whether typed in capitals or not. */
const reads = (lines: readonly string[] | undefined, shown: readonly string[]) =>
  shown.every((line, at) => lines?.[at]?.trim().toLowerCase() === line.trim().toLowerCase());

/**
 * Where a panel can stand that shows this; empty for a screen that it cannot show in its menus. A value that is only
 * looked at counts as it was last known; one being changed can be any.
 */
export function locate(
  board: BoardProfile,
  ask: Circumstances,
  rest: PanelState,
  shown: readonly string[],
): PanelState[] {
  return screens(board, ask, rest).filter((state) => reads(panelShows(board, state), shown));
}

/** Screens of this board that are most like one it cannot show, the nearest first. */
export function nearestScreens(
  board: BoardProfile,
  ask: Circumstances,
  rest: PanelState,
  shown: readonly string[],
): string[] {
  const wanted = text(shown)!.toLowerCase();
  const far = (screen: string) => {
    const other = screen.toLowerCase();
    let differ = Math.abs(other.length - wanted.length);
    for (let at = 0; at < Math.min(other.length, wanted.length); at += 1)
      if (other[at] !== wanted[at]) differ += 1;
    return differ;
  };
  const all = [...new Set(places(board, ask, rest).flatMap((state) => text(panelShows(board, state)) ?? []))];
  return all.sort((a, b) => far(a) - far(b)).slice(0, 3);
}

/** What to do to learn where a panel stands: make a gesture that is harmless wherever it is and look, or wait. */
export type LookNext =
  | { kind: "known"; at: PanelState }
  | { kind: "look"; made: Gesture; then: { shows: string; at: PanelState[] }[] }
  /** The menus close by themselves; `keeps` where a value that is being changed is stored meanwhile. */
  | { kind: "wait"; seconds: number; keeps: boolean }
  | { kind: "lost" };

/** True where a gesture keeps, starts and moves nothing, and changes no value that is being changed. */
function harmless(board: BoardProfile, ask: Circumstances, at: PanelState, made: Gesture): boolean {
  const { state, events } = panelAfter(board, ask, at, made);
  const same = events.every(({ kind }) => kind === "opened" || kind === "left" || kind === "reverted");
  const edits = state.editing !== undefined && (at.editing === undefined || state.editing !== at.editing);
  return same && !edits;
}

/**
 * How to tell apart the places where a panel can stand: by the harmless gesture that leaves the fewest alike, else by the
 * time-out of its menus. Never by keys pressed blind.
 */
export function tellApart(
  board: BoardProfile,
  ask: Circumstances,
  candidates: readonly PanelState[],
): LookNext {
  const [only, ...more] = candidates;
  if (only && !more.length) return { kind: "known", at: only };
  const { panel } = board;
  if (!panel) return { kind: "lost" };
  const gestures = new Map<string, Gesture>();
  for (const at of candidates)
    for (const { by } of movesAt({ panel }, menuAt(board, at)!, at))
      if (by) gestures.set(JSON.stringify(by), by);
  const looks = [...gestures.values()]
    .filter((made) => candidates.every((at) => harmless(board, ask, at, made)))
    .map((made) => {
      const then = new Map<string, PanelState[]>();
      for (const at of candidates) {
        const { state } = panelAfter(board, ask, at, made);
        const shows = text(panelShows(board, state)) ?? "";
        const known = then.get(shows) ?? [];
        if (!known.some((each) => keyOf(each) === keyOf(state))) then.set(shows, [...known, state]);
      }
      return { made, then: [...then].map(([shows, at]) => ({ shows, at })) };
    })
    .map((look) => ({ ...look, worst: Math.max(0, ...look.then.map(({ at }) => at.length)) }))
    .filter(({ worst }) => worst < candidates.length)
    .sort((a, b) => a.worst - b.worst);
  const [best] = looks;
  if (best) return { kind: "look", made: best.made, then: best.then };
  // A time-out that keeps what is being changed would keep a slip.
  const edits = candidates.some(({ editing }) => editing !== undefined);
  if (panel.timeoutSeconds === undefined || (panel.timeoutKeeps && edits)) return { kind: "lost" };
  // A pause stores it in any case, long before the menus close.
  return {
    kind: "wait",
    seconds: panel.timeoutSeconds,
    keeps: edits && panel.stores === "after a pause",
  };
}
