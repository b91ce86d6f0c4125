import { slotName, withCards, type BoardProfile } from "../../board/index.ts";
import { listed } from "../../quantity/index.ts";
import type { Demand, MadeRail } from "./demand.ts";
import { contactMisfit, placesFor } from "./fit.ts";

/** Cards that are not fitted and would give the demand a place. */
function cardsFor(
  board: BoardProfile,
  demand: Demand,
  made: readonly MadeRail[],
  fitted: readonly string[],
): string[] {
  const now = new Set(placesFor(demand, board, made).map(({ place }) => JSON.stringify(place)));
  return board.cards
    .filter(({ id }) => !fitted.includes(id) && board.slots.some((slot) => slot.takes.includes(id)))
    .filter(({ id }) =>
      placesFor(demand, withCards(board, [id]), made).some(({ place }) => !now.has(JSON.stringify(place))),
    )
    .map(({ id, name }) => {
      const slot = board.slots.find((each) => each.takes.includes(id));
      return `the card ${name} in ${slot ? slotName(slot.label) : "a slot"}`;
    });
}

/** Inputs that would take the contact if they were set for something else, told by the behaviour that chooses it. */
function settableInputs(board: BoardProfile, demand: Demand): string[] {
  if (demand.kind !== "contact") return [];
  return board.inputs
    .filter(
      (input) =>
        input.setBy.length > 0 && contactMisfit(input, demand.contact, board, demand.device.leaf) === "sense",
    )
    .map((input) => `${input.label} (${input.terminal}), set for what this device gives`);
}

/** What would make room for a demand, in a sentence; undefined where nothing on this board would. */
export function roomFor(
  board: BoardProfile,
  demand: Demand,
  made: readonly MadeRail[],
  fitted: readonly string[],
): string | undefined {
  const ways = [...cardsFor(board, demand, made, fitted), ...settableInputs(board, demand)];
  return ways.length ? `Room would come with ${listed(ways, "or")}.` : undefined;
}
