import type { BoardInput, BoardProfile } from "../../board/index.ts";

/**
 * How an input with nothing on it is kept quiet: by the setting that switches it off, unless that would silence an input
 * in use as well; otherwise by its link. Undefined where neither is there.
 */
export function quietBy(
  board: Pick<BoardProfile, "inputs">,
  input: BoardInput,
  used: ReadonlySet<string>,
): "setting" | "link" | undefined {
  const { off, link } = input;
  const shared = board.inputs.some((other) => used.has(other.id) && other.off?.behaviour === off?.behaviour);
  if (off && !shared) return "setting";
  return link === undefined ? undefined : "link";
}
