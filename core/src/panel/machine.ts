import {
  conditionHolds,
  displayPositions,
  type BoardProfile,
  type Circumstances,
  type Gesture,
  type Menu,
  type MenuItem,
  type Panel,
} from "../board/index.ts";
import { bestOf, singlesOf } from "./fits.ts";
import { firstShown, isShown } from "./shown.ts";
import { entryAt, menuAt, type PanelEvent, type PanelState, type PanelStep } from "./state.ts";

/** A board with a panel and what holds at it: what every move needs. */
interface At {
  board: BoardProfile;
  panel: Panel;
  ask: Circumstances;
}

/** What a gesture means where a panel stands in its menus. */
export type Move = "next" | "previous" | "into" | "back" | "more" | "less" | "confirm";

const still = (state: PanelState, ...events: PanelEvent[]): PanelStep => ({ state, events });

/** Values that are shown and not kept yet, by their entries. */
const unsaved = ({ values, kept }: PanelState): string[] =>
  Object.keys(values).filter((id) => values[id] !== kept[id]);

/** Out of every menu: what is being changed is given up, and what was not saved reverts. */
function leave(state: PanelState): PanelStep {
  const items = unsaved(state);
  const { kept } = state;
  return still(
    { path: [], values: kept, kept, begun: [] },
    ...(items.length ? [{ kind: "reverted", items } as const] : []),
    { kind: "left" },
  );
}

/** The ways in that are whole with this gesture, each with the last gesture it asks for. */
export function waysIn(
  { panel }: BoardProfile,
  ask: Circumstances,
  state: PanelState,
  made: Gesture,
): { by: Gesture; value: { to: string } }[] {
  const begun = [...state.begun, made];
  return (panel?.opens ?? [])
    .filter(({ when, by }) => by.length <= begun.length && conditionHolds(when, ask))
    .map((way) => ({ way, tail: begun.slice(begun.length - way.by.length) }))
    .filter(({ way, tail }) =>
      way.by.slice(0, -1).every((by, at) => bestOf(tail[at]!, [{ by, value: true }])),
    )
    .map(({ way }) => ({ by: way.by.at(-1)!, value: way }));
}

/** Outside: a way in, where one begins with what was made so far; otherwise the keys do what they do there. */
function outside({ board, panel, ask }: At, state: PanelState, made: Gesture): PanelStep {
  const begun = [...state.begun, made];
  const ways = panel.opens.filter(({ when }) => conditionHolds(when, ask));
  const way = bestOf(made, waysIn(board, ask, state, made));
  if (way)
    return still(
      { ...state, path: [{ menu: way.to, entry: firstShown(board, ask, state, way.to) }], begun: [] },
      { kind: "opened", menu: way.to },
    );
  const longest = Math.max(0, ...ways.map(({ by }) => by.length - 1));
  const next = { ...state, begun: longest ? begun.slice(-longest) : [] };
  const key =
    "press" in made ? made.press.key : "hold" in made ? made.hold.key : "turn" in made ? made.turn.key : "";
  const acts = board.keys.some(({ id, outside: does }) => id === key && does !== undefined);
  return still(next, ...(acts ? [{ kind: "outside", key } as const] : []));
}

/** The gestures that mean something where the panel stands in a menu. */
export function movesAt(
  { panel }: { panel: Panel },
  menu: Menu,
  state: PanelState,
): { by: Gesture | undefined; value: Move }[] {
  const own = (move: "next" | "previous" | "into" | "back") => ({
    by: menu[move] ?? panel[move],
    value: move,
  });
  const change = (move: "more" | "less" | "confirm") => ({ by: panel[move], value: move });
  if (state.editing !== undefined) return [change("more"), change("less"), change("confirm"), own("back")];
  const opens = { by: menu.items[state.path.at(-1)!.entry]?.by, value: "into" as const };
  return [own("next"), own("previous"), opens.by ? opens : own("into"), own("back")];
}

/** Goes to another entry of the menu that is shown just now; after the last comes the first. */
function walk({ board, ask }: At, menu: Menu, state: PanelState, by: 1 | -1): PanelStep {
  const level = state.path.at(-1)!;
  const at = (far: number) => (level.entry + far * by + far * menu.items.length) % menu.items.length;
  const far = menu.items.findIndex((_, n) => isShown(board, ask, state, menu.items[at(n + 1)]!)) + 1;
  return still({ ...state, path: [...state.path.slice(0, -1), { ...level, entry: at(Math.max(1, far)) }] });
}

/** A value as it is stored: kept at once, as every answer of a wizard, or shown until the list is saved. */
function store(panel: Panel, menu: Menu, state: PanelState, item: MenuItem): PanelStep {
  const { editing: value, ...rest } = state;
  if (value === undefined) return still(state);
  const values = { ...state.values, [item.id]: value };
  if (panel.stores === "on save" && menu.kind !== "wizard") return still({ ...rest, values });
  return still(
    { ...rest, values, kept: { ...state.kept, [item.id]: value } },
    { kind: "kept", values: { [item.id]: value } },
  );
}

/** In a wizard the next question follows an answer; after the last it ends where it says. */
function follow(at: At, menu: Menu, step: PanelStep): PanelStep {
  if (menu.kind !== "wizard") return step;
  const last = step.state.path.at(-1)!.entry === menu.items.length - 1;
  if (!last) return { ...walk(at, menu, step.state, 1), events: step.events };
  if (menu.ends === "stays") return step;
  const left = leave(step.state);
  return { state: left.state, events: [...step.events, ...left.events] };
}

/** Opens an entry: another menu, its value, or what it does. */
function open({ board, ask }: At, state: PanelState, item: MenuItem): PanelStep {
  if (item.menu)
    return still(
      {
        ...state,
        path: [...state.path, { menu: item.menu, entry: firstShown(board, ask, state, item.menu) }],
      },
      { kind: "opened", menu: item.menu },
    );
  if (displayPositions(item).length) return still({ ...state, editing: state.values[item.id]! });
  if (!item.does) return still(state);
  const saves = board.commits.some(({ by }) => "choose" in by && by.choose.item === item.id);
  const changed = unsaved(state);
  const values = Object.fromEntries(changed.map((id) => [id, state.values[id]!]));
  if (saves)
    return still(
      { ...state, kept: state.values },
      ...(changed.length ? [{ kind: "kept", values } as const] : []),
      { kind: "started", program: item.does },
    );
  const left = leave(state);
  return { state: left.state, events: [...left.events, { kind: "started", program: item.does }] };
}

/** Where the value so many steps up or down stands among all it can show; at an end it stays, or rolls over where it does so. */
export function steppedTo(item: MenuItem, count: number, at: number, by: number): number {
  const to = at + by;
  const rolls = item.choices !== undefined || item.number?.rolls === true;
  return rolls ? ((to % count) + count) % count : Math.min(Math.max(to, 0), count - 1);
}

/** The value so many steps up or down. */
function stepped(item: MenuItem, shown: string, by: number): string {
  const all = displayPositions(item);
  return all[steppedTo(item, all.length, all.indexOf(shown), by)] ?? shown;
}

/** Steps a second of a held key where the profile says no more; assumed. */
const usualRepeats = 4;

/** How many steps a value runs while its key is held so long; after a while they are larger. */
export function stepsHeld(
  { fast, repeatsPerSecond = usualRepeats }: Panel,
  item: MenuItem,
  seconds: number,
): number {
  const slowly = Math.min(seconds, fast?.afterSeconds ?? seconds);
  const large = Math.round((fast?.step ?? 1) / (item.number?.step ?? 1)) || 1;
  return (
    Math.max(1, Math.floor(slowly * repeatsPerSecond)) +
    Math.floor((seconds - slowly) * repeatsPerSecond) * large
  );
}

/** A key that changes a value is held: the value runs. */
function runs(
  panel: Panel,
  state: PanelState,
  item: MenuItem,
  { key, seconds }: { key: string; seconds: number },
): PanelStep {
  const by = (["more", "less"] as const).find((move) => {
    const gesture = panel[move];
    return gesture && "press" in gesture && gesture.press.key === key;
  });
  if (!by) return still(state);
  const steps = stepsHeld(panel, item, seconds);
  return still({ ...state, editing: stepped(item, state.editing!, by === "more" ? steps : -steps) });
}

function moved(at: At, menu: Menu, state: PanelState, item: MenuItem, move: Move): PanelStep {
  switch (move) {
    case "next":
      return walk(at, menu, state, 1);
    case "previous":
      return walk(at, menu, state, -1);
    case "into":
      return open(at, state, item);
    case "more":
    case "less":
      return still({ ...state, editing: stepped(item, state.editing!, move === "more" ? 1 : -1) });
    case "confirm":
      return follow(at, menu, store(at.panel, menu, state, item));
    case "back": {
      const { editing, ...rest } = state;
      if (editing !== undefined) return still(rest);
      return state.path.length > 1 ? still({ ...state, path: state.path.slice(0, -1) }) : leave(state);
    }
  }
}

/**
 * What a gesture makes of the panel. The board is the one on its site (`fitBoard`): only entries and ways in that its
 * firmware and its leaves have. On a board without a panel nothing comes of it.
 */
export function panelAfter(
  board: BoardProfile,
  ask: Circumstances,
  state: PanelState,
  made: Gesture,
): PanelStep {
  const { panel } = board;
  if (!panel) return still(state);
  const at: At = { board, panel, ask };
  const [menu, item] = [menuAt(board, state), entryAt(board, state)];
  if (!menu || !item) return outside(at, state, made);
  const move = bestOf(made, movesAt(at, menu, state));
  if (!move && state.editing !== undefined && "hold" in made) return runs(panel, state, item, made.hold);
  if (move) {
    const singles = "turn" in made ? singlesOf(made) : [made];
    if (singles.length === 1) return moved(at, menu, state, item, move);
    return panelAfterEach(board, ask, state, singles);
  }
  const singles = singlesOf(made);
  return singles.length > 1 ? panelAfterEach(board, ask, state, singles) : still(state);
}

/** What several gestures make of it, one after the other. */
export function panelAfterEach(
  board: BoardProfile,
  ask: Circumstances,
  from: PanelState,
  made: readonly Gesture[],
): PanelStep {
  let state = from;
  const events: PanelEvent[] = [];
  for (const each of made) {
    const step = panelAfter(board, ask, state, each);
    state = step.state;
    events.push(...step.events);
  }
  return { state, events };
}

/** What comes of so many seconds without a key: a value that is stored by a pause, and the time-out of the menus. */
export function panelWaits(board: BoardProfile, state: PanelState, seconds: number): PanelStep {
  const { panel } = board;
  const [menu, item] = [menuAt(board, state), entryAt(board, state)];
  if (!panel || !menu || !item)
    return still(seconds > 0 && state.begun.length ? { ...state, begun: [] } : state);
  const pauses = panel.stores === "after a pause" && state.editing !== undefined;
  const kept = pauses && seconds >= panel.pauseSeconds! ? store(panel, menu, state, item) : still(state);
  if (panel.timeoutSeconds === undefined || seconds < panel.timeoutSeconds) return kept;
  if (panel.timeoutKeeps && kept.state.editing !== undefined) {
    const stored = store(panel, menu, kept.state, item);
    const left = leave(stored.state);
    return { state: left.state, events: [...stored.events, ...left.events] };
  }
  const left = leave(kept.state);
  return { state: left.state, events: [...kept.events, ...left.events] };
}

/** How many presses of a key in a row may mean something where the panel stands: 1 where no more are waited for. */
export function mostPresses(board: BoardProfile, state: PanelState, key: string): number {
  const { panel } = board;
  if (!panel) return 1;
  const menu = menuAt(board, state);
  const wanted = menu
    ? movesAt({ panel }, menu, state).map(({ by }) => by)
    : panel.opens.flatMap(({ by }) => by);
  const times = wanted.flatMap((by) => (by && "press" in by && by.press.key === key ? [by.press.times] : []));
  return Math.max(1, ...times);
}
