import { movingThing, sentence, type BoardProfile, type LeafPlace } from "@anvilcloud/core";

/** What a transmitter can send, as its buttons are named. */
export const sends: Record<string, string> = {
  press: "Remote: press",
  hold: "Remote: hold",
  recessed: "Remote: recessed button",
  key: "Transmitter: its key",
  search: "Gateway: search",
};

/** "The gate opens.", "The door is between its ends." */
export function standingText(
  board: BoardProfile,
  { place, toward }: { place: LeafPlace; toward?: "open" | "closed" | undefined },
): string {
  const is = place === "between" ? "between its ends" : place;
  const does = toward ? (toward === "open" ? "opens" : "closes") : `is ${is}`;
  return sentence(`the ${movingThing(board)} ${does}.`);
}
