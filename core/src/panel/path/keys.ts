import {
  conditionHolds,
  entryName,
  touchedBy,
  type BoardProfile,
  type Circumstances,
  type Gesture,
} from "../../board/index.ts";
import { movesAt, panelAfter, type Move } from "../machine.ts";
import { entryAt, menuAt, panelShows, type PanelState } from "../state.ts";

/** What a key does where the panel stands. */
export interface KeyMeaning {
  made: Gesture;
  does: string;
}

const screen = (board: BoardProfile, state: PanelState) =>
  panelShows(board, state)?.join(" / ") ?? "the screen outside";

/** What a gesture in a menu comes to, told with the screen that follows. */
function moveText(board: BoardProfile, move: Move, from: PanelState, to: PanelState): string {
  const item = entryAt(board, from);
  switch (move) {
    case "next":
      return `next entry: ${screen(board, to)}`;
    case "previous":
      return `entry before: ${screen(board, to)}`;
    case "into": {
      if (item?.menu !== undefined) return `opens ${item.label}: ${screen(board, to)}`;
      if (item?.does === undefined) return `begins to change it: ${screen(board, to)}`;
      const program = board.programs.find(({ id }) => id === item.does);
      return `starts at once: ${program?.label ?? item.label}`;
    }
    case "back":
      if (from.editing !== undefined) return "gives the change up";
      return from.path.length > 1 ? `one menu up: ${screen(board, to)}` : "out of the menus";
    case "more":
    case "less":
      return `to ${to.editing ?? ""}`;
    case "confirm":
      return `keeps ${from.editing ?? "it"}${item ? ` in ${entryName(item)}` : ""}`;
  }
}

/** What each key does where the panel stands: in its menus, or outside, where keys may move the leaf. */
export function keysAt(board: BoardProfile, ask: Circumstances, state: PanelState): KeyMeaning[] {
  const { panel } = board;
  const menu = menuAt(board, state);
  if (!panel) return [];
  if (menu)
    return movesAt({ panel }, menu, state).flatMap(({ by, value }) =>
      by ? [{ made: by, does: moveText(board, value, state, panelAfter(board, ask, state, by).state) }] : [],
    );
  const ways = panel.opens
    .filter(({ when }) => conditionHolds(when, ask))
    .map(({ by, to }): KeyMeaning => {
      const label = panel.menus.find(({ id }) => id === to)?.label ?? to;
      return {
        made: by.at(-1)!,
        does: by.length > 1 ? `opens ${label}, after what comes before it` : `opens ${label}`,
      };
    });
  const outside = board.keys.flatMap(({ id, outside: does }): KeyMeaning[] =>
    does === undefined ? [] : [{ made: { press: { key: id, times: 1 } }, does }],
  );
  return [...ways, ...outside];
}

/** Keys that step through the menus and, outside of them, move the leaf. */
export function menuKeysThatMove({ panel, keys }: BoardProfile): BoardProfile["keys"] {
  if (!panel) return [];
  const used = [panel, ...panel.menus]
    .flatMap(({ next, previous, into, back }) => [next, previous, into, back])
    .concat(panel.more, panel.less, panel.confirm)
    .flatMap((by) => (by ? touchedBy(by) : []))
    .flatMap((part) => (part.kind === "key" ? [part.id] : []));
  return keys.filter(({ id, does }) => does.length > 0 && used.includes(id));
}
