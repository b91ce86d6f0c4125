import type { BoardInput, BoardProfile } from "../../board/index.ts";

/** True where an input with nothing on it is switched off by its setting: unless that would silence an input in use as well. */
export function isSwitchedOff(
  { inputs }: Pick<BoardProfile, "inputs">,
  { off }: BoardInput,
  used: ReadonlySet<string>,
): boolean {
  return (
    off !== undefined && !inputs.some(({ id, off: its }) => used.has(id) && its?.behaviour === off.behaviour)
  );
}
