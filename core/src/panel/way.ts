import type { BoardProfile, Circumstances, Gesture, Menu, MenuItem } from "../board/index.ts";
import { panelAfterEach } from "./machine.ts";
import { entryAt, menuAt, type PanelState } from "./state.ts";

/** The gesture that opens or starts an entry. */
export const openingOf = ({ panel }: BoardProfile, menu: Menu, item: MenuItem): Gesture | undefined =>
  item.by ?? menu.into ?? panel?.into;

/** Gestures worth trying where a panel stands: the ways in from outside, within a menu its moves. */
function tried(board: BoardProfile, state: PanelState): Gesture[][] {
  const { panel } = board;
  const menu = menuAt(board, state);
  if (!panel) return [];
  if (!menu) return panel.opens.map(({ by }) => by);
  const moves = (["next", "previous", "into", "back"] as const).map((move) => menu[move] ?? panel[move]);
  return [...moves, panel.confirm].flatMap((each) => (each ? [[each]] : []));
}

/**
 * The gestures, the fewest, that bring the display to an entry from where the panel stands; undefined where none do. It
 * changes no value on the way, and starts nothing.
 */
export function wayToEntry(
  board: BoardProfile,
  ask: Circumstances,
  from: PanelState,
  entry: string,
): Gesture[] | undefined {
  const seen = new Set<string>();
  const queue: { state: PanelState; made: Gesture[] }[] = [{ state: from, made: [] }];
  for (let at = queue.shift(); at; at = queue.shift()) {
    if (at.state.editing === undefined && entryAt(board, at.state)?.id === entry) return at.made;
    for (const more of tried(board, at.state)) {
      const { state, events } = panelAfterEach(board, ask, at.state, more);
      const key = JSON.stringify([state.path, state.editing]);
      if (seen.has(key) || events.some(({ kind }) => kind === "started" || kind === "outside")) continue;
      seen.add(key);
      queue.push({ state, made: [...at.made, ...more] });
    }
  }
  return undefined;
}
