import { menuValues, type Gesture } from "../../board/index.ts";
import { entryAt, menuAt, openingOf, wayToEntry } from "../../panel/index.ts";
import { askOf, brainDoes, type Brain } from "../brain/index.ts";

/** Most steps of a value that are tried. */
const mostSteps = 1_000;

/** Changes the value the panel stands at until it shows this; false where it never does. */
function change(brain: Brain, to: string): boolean {
  const { panel } = brain.board;
  const entry = menuValues(brain.board).find(({ item }) => item.id === entryAt(brain.board, brain.panel)?.id);
  const { more, less, confirm } = panel ?? {};
  if (!entry || !more || !less) return false;
  for (const by of [more, less])
    for (let step = 0; step < mostSteps && brain.panel.editing !== to; step += 1) {
      const before = brain.panel.editing;
      brainDoes(brain, by);
      if (brain.panel.editing === before) break;
    }
  if (brain.panel.editing !== to) return false;
  if (confirm) brainDoes(brain, confirm);
  else brainDoes(brain, { wait: panel?.pauseSeconds ?? 1 });
  return true;
}

/**
 * Makes a gesture as a person does it. To choose an entry is to go there by the keys of the board, to start what it
 * starts, or to set its value; false where no key leads there.
 */
export function make(brain: Brain, gesture: Gesture): boolean {
  if (!("choose" in gesture)) {
    brainDoes(brain, gesture);
    return true;
  }
  const { item: id, as } = gesture.choose;
  const inApp = brain.board.panel?.menus.some(
    ({ kind, items }) => kind === "app" && items.some((item) => item.id === id),
  );
  if (inApp && as !== undefined) {
    const values = { ...brain.positions.values, [id]: as };
    brain.positions = { ...brain.positions, values };
    brain.inForce = { ...brain.inForce, values };
    return true;
  }
  const way = wayToEntry(brain.board, askOf(brain), brain.panel, id);
  if (!way) return false;
  for (const each of way) brainDoes(brain, each);
  const [menu, item] = [menuAt(brain.board, brain.panel), entryAt(brain.board, brain.panel)];
  if (!menu || item?.id !== id) return false;
  const opens = openingOf(brain.board, menu, item);
  if (!opens || (as === undefined && item.does === undefined)) return true;
  brainDoes(brain, opens);
  return as === undefined || change(brain, as);
}
