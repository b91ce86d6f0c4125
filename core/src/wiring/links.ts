import { lampOfInput, type BoardProfile } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import type { Wire } from "../circuit/index.ts";
import { terminalNode } from "../circuit/index.ts";
import type { Placement } from "./place.ts";

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

/** Every link both ways: out where a device takes over its input, in where the input stays empty. */
export function planLinks(
  board: BoardProfile,
  placements: readonly Placement[],
  found: Readonly<Record<string, LinkPosition>>,
): LinkPlan[] {
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
    return users.length
      ? {
          ...stays,
          planned: "out",
          why: `${listed(users)} ${users.length > 1 ? "take" : "takes"} over ${input.label}.`,
        }
      : { ...stays, planned: "in", why: `${input.label} stays empty and must read closed.` };
  });
}

/** Traps 3 and 4 in a state: links that bridge a wired device, and unused inputs left open. */
export function linkFindings(
  board: BoardProfile,
  wires: readonly (Wire & { deviceName: string })[],
  links: Readonly<Record<string, LinkPosition>>,
  elsewhere: readonly Wire[] = [],
): Finding[] {
  return board.inputs.flatMap((input): Finding[] => {
    const link = board.links.find((each) => each.id === input.link);
    if (!link) return [];
    const onInput = wires.filter((wire) => wire.to === terminalNode(input.terminal));
    const subjects = [
      { kind: "link" as const, id: link.id },
      { kind: "input" as const, id: input.id },
      { kind: "terminal" as const, id: input.terminal },
    ];
    const lamp = lampOfInput(board, input.id)?.label ?? "its lamp";
    if (onInput.length && links[link.id] === "in")
      return [
        finding("link-beside-device", subjects, {
          link: link.between.join("–"),
          device: listed([...new Set(onInput.map((wire) => wire.deviceName))]),
          lamp: `lamp ${lamp}`,
        }),
      ];
    // Where a core belongs that was found elsewhere, a link would bridge its device.
    const awaited = elsewhere.some((wire) => wire.to === terminalNode(input.terminal));
    if (!onInput.length && !awaited && links[link.id] === "out")
      return [
        finding("link-missing", subjects, {
          link: link.between.join("–"),
          input: input.label,
          terminals: link.between.join(" and "),
        }),
      ];
    return [];
  });
}
