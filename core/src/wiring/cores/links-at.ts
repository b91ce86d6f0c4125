import type { BoardProfile } from "../../board/index.ts";

/** How many links sit in each clamp, by its terminal. */
export function linksAt(board: BoardProfile, linksIn: Iterable<string>): Map<string, number> {
  const held = new Map<string, number>();
  const inPlace = new Set(linksIn);
  for (const { id, between } of board.links)
    if (inPlace.has(id)) for (const end of between) held.set(end, (held.get(end) ?? 0) + 1);
  return held;
}
