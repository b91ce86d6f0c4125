import {
  conditionHolds,
  conditionParts,
  displayPositions,
  menuValues,
  type BoardProfile,
  type Circumstances,
  type MenuItem,
} from "../board/index.ts";
import { valueGives } from "../controls/index.ts";
import { panelAtRest, type PanelState } from "./state.ts";

/** The circumstances with what the panel's own values say: those that show now, saved or not. */
function asSet(board: BoardProfile, ask: Circumstances, { values }: PanelState): Circumstances {
  return {
    ...ask,
    behaviour: (id, fits) => {
      for (const { item, delivered } of menuValues(board)) {
        const given = valueGives(item, values[item.id] ?? delivered)[id];
        if (given !== undefined) return fits(given);
      }
      return ask.behaviour(id, fits);
    },
  };
}

/** True while an entry is shown: some are there only while another value stands. */
export const isShown = (
  board: BoardProfile,
  ask: Circumstances,
  state: PanelState,
  { when }: MenuItem,
): boolean => !when || conditionHolds(when, asSet(board, ask, state));

/** The entry a menu opens at: its first that is shown. */
export function firstShown(board: BoardProfile, ask: Circumstances, state: PanelState, menu: string): number {
  const items = board.panel?.menus.find(({ id }) => id === menu)?.items ?? [];
  return Math.max(
    0,
    items.findIndex((item) => isShown(board, ask, state, item)),
  );
}

/** The panel at rest with the nearest values at which an entry is shown; undefined where no one value brings it up. */
export function panelShowing(
  board: BoardProfile,
  ask: Circumstances,
  item: MenuItem,
  found: Readonly<Record<string, string>> = {},
): PanelState | undefined {
  const now = panelAtRest(board, found);
  if (isShown(board, ask, now, item)) return now;
  const { behaviours } = conditionParts(item.when ?? {});
  return menuValues(board)
    .filter((each) =>
      displayPositions(each.item).some((at) => behaviours.some((id) => id in valueGives(each.item, at))),
    )
    .flatMap((each) =>
      displayPositions(each.item).map((at) => panelAtRest(board, { ...found, [each.item.id]: at })),
    )
    .find((state) => isShown(board, ask, state, item));
}
