import { withCards } from "../fit.ts";
import type { BoardProfile } from "../schema/index.ts";
import { known, type Names, type Report, unique } from "../words/index.ts";

/** Slots and the cards that fit them. */
export function checkSlots(board: BoardProfile, names: Names, report: Report): void {
  unique(
    board.slots.map((slot) => slot.id),
    (at) => `slots[${at}].id`,
    "a slot id",
    report,
  );
  unique(names.cards, (at) => `cards[${at}].id`, "a card id", report);
  board.slots.forEach((slot, s) => {
    slot.takes.forEach((id, at) => known(id, names.cards, `slots[${s}].takes[${at}]`, "card", report));
    known(slot.fitted, slot.takes, `slots[${s}].fitted`, "card the slot takes", report);
  });
  board.cards.forEach((card, c) => {
    if (!board.slots.some((slot) => slot.takes.includes(card.id)))
      report(`cards[${c}].id`, "a card that some slot takes", card.id, "Add it to the slot it fits.");
    known(
      card.budget,
      board.budgets.map((budget) => budget.id),
      `cards[${c}].budget`,
      "budget",
      report,
    );
  });
}

/** The place of something a card adds, from its place in the board with the card in it. */
export function pathInCard(path: string, board: BoardProfile, card: number): string {
  const [, list, index, rest] = /^(\w+)\[(\d+)\](.*)$/.exec(path) ?? [];
  const own = list && (board as unknown as Record<string, unknown>)[list];
  if (!Array.isArray(own) || Number(index) < own.length) return `cards[${card}].adds`;
  return `cards[${card}].adds.${list}[${Number(index) - own.length}]${rest}`;
}

/** The board with one of its cards in it. */
export function boardWith(board: BoardProfile, card: number): BoardProfile {
  return withCards(board, [board.cards[card]!.id]);
}
