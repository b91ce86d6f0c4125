import type { BoardProfile } from "@anvilcloud/core";
import { BoardFace, useBoardView } from "../../bench/index.ts";

/** The face of a board as it looks new, with power on. */
export function PoweredFace({ board }: { board: BoardProfile }) {
  const view = useBoardView(board, "powered");
  return <BoardFace view={view} numbers={{}} label={`Face of ${board.name}`} bare />;
}
