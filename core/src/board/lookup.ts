import type { BoardInput, BoardProfile } from "./schema.ts";

type Block = BoardProfile["blocks"][number];

/** A terminal with its block: named by plug and number, since numbers begin again on another plug. */
export interface Terminal {
  id: string;
  label: string;
  holds: number;
  block: Block;
  /** Place of the clamp on the face, mm. */
  at: { x: number; y: number };
}

/** Every terminal of the board, block by block. */
export function terminalsOf(board: BoardProfile): Terminal[] {
  return board.blocks.flatMap((block) =>
    block.terminals.map((terminal, index) => ({
      id: `${block.id}${terminal.number}`,
      label: terminal.label,
      holds: terminal.holds,
      block,
      at: { x: block.at.x + (index + 0.5) * block.pitchMm, y: block.at.y },
    })),
  );
}

/** The terminal of this id; undefined where the board has none. */
export function terminalOf(board: BoardProfile, id: string): Terminal | undefined {
  return terminalsOf(board).find((terminal) => terminal.id === id);
}

/** The terminals of an input's common. */
export function commonTerminals(board: BoardProfile, input: BoardInput): string[] {
  return board.commons.find((common) => common.id === input.common)?.terminals ?? [];
}

/** Ids of the switches of all DIP banks: bank and position, such as "S2". */
export function switchIds(board: BoardProfile): string[] {
  return board.dips.flatMap((dip) => dip.delivered.map((_, index) => `${dip.id}${index + 1}`));
}

/** The lamp that tells an input's state, where the board has one. */
export function lampOfInput(board: BoardProfile, inputId: string) {
  return board.lamps.find((lamp) =>
    lamp.shows.some((row) => row.when.closed === inputId || row.when.open === inputId),
  );
}
