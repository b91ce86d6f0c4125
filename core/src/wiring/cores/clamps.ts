import { terminalOf, terminalsOf, type BoardProfile } from "../../board/index.ts";
import { assign, type Cost, type Item, type Shared } from "../assign/index.ts";
import type { LooseEnd } from "./ends.ts";

/** One more core in a clamp weighs more than any distance within a block, and another block more than that. */
const crowded = 100;
const otherBlock = 10_000;

/** How far a terminal is from the one with the device's other core. */
function apart(board: BoardProfile, near: string, terminal: string): number {
  const [one, other] = [terminalOf(board, near), terminalOf(board, terminal)];
  if (!one || !other || one.block !== other.block) return otherBlock;
  return Math.min(Math.abs(one.number - other.number), crowded - 1);
}

/** What one more core in a clamp costs beside the links in it: over what it holds gravely, and lightly the more the fuller it is. */
function clampPrices(board: BoardProfile, links: ReadonlyMap<string, number>): Shared["slots"] {
  return Object.fromEntries(
    terminalsOf(board).map(({ id, holds }) => {
      const linked = links.get(id) ?? 0;
      return [id, (nth: number): Cost => [nth + linked > holds ? 1 : 0, crowded * (nth + linked - 1)]];
    }),
  );
}

/** Chooses among terminals that are one point: where it is wanted, none over what it holds, the block of the device's other core first, few cores to a clamp. */
export function chooseTerminals(
  board: BoardProfile,
  ends: readonly LooseEnd[],
  links: ReadonlyMap<string, number>,
): (string | undefined)[] {
  const items = ends.map(({ device, pin, from, terminals = [], near }): Item<string> => {
    const wanted = from ? undefined : device.pinned?.[pin];
    const able = wanted !== undefined && terminals.includes(wanted) ? [wanted] : terminals;
    return {
      unplaced: [1e6, 0],
      options: able.map((terminal, at) => ({
        choice: terminal,
        cost: [0, near ? apart(board, near, terminal) : at],
        slot: terminal,
      })),
    };
  });
  return assign(items, { slots: clampPrices(board, links), limits: {} }).choices;
}
