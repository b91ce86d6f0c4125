import { lampOfInput, type BoardProfile } from "../../board/index.ts";
import type { BoardSet, Wire } from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { terminalIn } from "../../node/index.ts";
import { listed } from "../../quantity/index.ts";
import type { LinkPosition } from "./links.ts";

/** Traps 3 and 4 in a state: links that bridge a wired device, and unused inputs left open that the settings let count. */
export function linkFindings(
  board: BoardProfile,
  wires: readonly (Wire & { deviceName: string })[],
  links: Readonly<Record<string, LinkPosition>>,
  elsewhere: readonly Wire[] = [],
  set: BoardSet = {},
): Finding[] {
  return board.inputs.flatMap((input): Finding[] => {
    const link = board.links.find((each) => each.id === input.link);
    if (!link) return [];
    const onInput = wires.filter((wire) => terminalIn(wire.to) === input.terminal);
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
    const awaited = elsewhere.some((wire) => terminalIn(wire.to) === input.terminal);
    const off = input.off !== undefined && set[input.off.behaviour] === input.off.is;
    if (!onInput.length && !awaited && !off && links[link.id] === "out")
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
