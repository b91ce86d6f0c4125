import { panelShows } from "../../panel/index.ts";
import { faceIn, type Face } from "../../state/index.ts";
import { askOf } from "./ask.ts";
import type { Brain } from "./brain.ts";

/** What lamps and display show while the board runs: in its menus, while it stores, else what its rows say. */
export function faceOf(brain: Brain): Pick<Face, "lamps" | "looks" | "display"> {
  const face = faceIn(brain.board, askOf(brain));
  if (!brain.power) return face;
  const { storing } = brain.board.panel ?? {};
  if (brain.storing !== undefined && storing) return { ...face, display: storing.shows };
  if (brain.boot !== undefined)
    return { ...face, display: brain.board.boots[brain.boot.screen]?.shows ?? "" };
  if (brain.shown !== undefined) return { ...face, display: brain.shown };
  const shown = panelShows(brain.board, brain.panel);
  return shown ? { ...face, display: shown.join("|") } : face;
}
