import type { BoardProfile } from "../board/index.ts";
import type { Positions } from "./positions.ts";

/** The jumper that cuts the solar panel off while it is on; undefined where the board has none. */
export const panelJumper = ({ jumpers, solar }: BoardProfile) =>
  jumpers.find(({ id }) => id === solar?.isolatedBy);

/** True while the panel is cut off by its jumper. */
export function isPanelCut(board: BoardProfile, { switches }: Pick<Positions, "switches">): boolean {
  const jumper = panelJumper(board);
  return jumper !== undefined && switches[jumper.id] === "on";
}
