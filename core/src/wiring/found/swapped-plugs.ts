import { terminalOf, type BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { nodeKey, terminalIn, type NodeKey, type Seat } from "../../node/index.ts";
import { seatOf } from "./difference.ts";
import { device, type AsWired } from "./found.ts";

/** Trap 44: two plugs of one shape that sit in each other's place, by every core of both. */
export function swappedPlugs(
  board: BoardProfile,
  { wiring, sits }: AsWired,
): { codes: Finding[]; pins: Set<NodeKey> } {
  const plugs = board.blocks.filter((block) => block.plug !== undefined);
  const pins = new Set<NodeKey>();
  const index = (seat: Seat) => {
    const terminal = terminalOf(board, terminalIn(seat) ?? "");
    return (
      terminal && {
        block: terminal.block.id,
        at: terminal.block.terminals.findIndex(({ number }) => number === terminal.number),
      }
    );
  };
  const codes = plugs.flatMap((one, at) =>
    plugs.slice(at + 1).flatMap((other): Finding[] => {
      if (one.plug !== other.plug) return [];
      const cores = wiring.cores.filter((core) => [one.id, other.id].includes(index(core.to)?.block ?? ""));
      const crossed = cores.filter((core) => {
        const [planned, found] = [index(core.to), index(seatOf(sits, core.from) ?? core.to)];
        return planned && found && planned.block !== found.block && planned.at === found.at;
      });
      if (cores.length < 2 || crossed.length < cores.length) return [];
      for (const core of cores) pins.add(nodeKey(core.from));
      return [
        finding("plugs-swapped", [...new Set(cores.flatMap((core) => core.device ?? []))].map(device), {
          one: `${one.id} (${one.label})`,
          other: `${other.id} (${other.label})`,
        }),
      ];
    }),
  );
  return { codes, pins };
}
