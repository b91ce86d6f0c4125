import type { BoardProfile } from "../../board/index.ts";
import { listed } from "../../quantity/index.ts";
import type { Placement } from "../place/index.ts";
import { isSwitchedOff } from "./quiet.ts";

export type LinkPosition = "in" | "out";

/** Where a link must stand, where it stands now, and why. */
export interface LinkPlan {
  id: string;
  between: [string, string];
  found: LinkPosition;
  planned: LinkPosition;
  why: string;
}

/** Links as they stand on site: as noted, otherwise as delivered. */
export function foundLinks(
  board: BoardProfile,
  noted: Readonly<Record<string, LinkPosition>>,
): Record<string, LinkPosition> {
  return Object.fromEntries(board.links.map((link) => [link.id, noted[link.id] ?? link.delivered]));
}

/** Every link both ways: out where a device takes over its input, in where the input stays empty and no setting switches it off. */
export function planLinks(
  board: BoardProfile,
  placements: readonly Placement[],
  found: Readonly<Record<string, LinkPosition>>,
): LinkPlan[] {
  const used = new Set(placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])));
  return board.links.map((link) => {
    const input = board.inputs.find((each) => each.link === link.id);
    const users = placements.flatMap(({ demand, place }) =>
      demand.kind === "contact" && place?.kind === "input" && place.input.id === input?.id
        ? [demand.device.name]
        : [],
    );
    const now = found[link.id] ?? link.delivered;
    const stays = { id: link.id, between: link.between, found: now };
    if (!input) return { ...stays, planned: now, why: "No input of this plan uses it: it stays as found." };
    if (!users.length && isSwitchedOff(board, input, used))
      return { ...stays, planned: "out", why: `${input.label} stays empty and is switched off.` };
    return users.length
      ? {
          ...stays,
          planned: "out",
          why: `${listed(users)} ${users.length > 1 ? "take" : "takes"} its place at ${input.label}.`,
        }
      : { ...stays, planned: "in", why: `${input.label} stays empty and must read closed.` };
  });
}
