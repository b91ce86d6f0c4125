import type { BoardInput, BoardProfile } from "../../board/index.ts";
import type { BoardSet } from "../../circuit/index.ts";
import { sensingWord } from "./demand.ts";
import type { Placed } from "./explain.ts";
import { relaysOf } from "./relay.ts";

/** True for an input that looks for an end resistor unless it is set otherwise, and could be bridged by a link. */
const isLinked = ({ link, ohms, setBy }: BoardInput) =>
  link !== undefined && ohms !== undefined && setBy.includes("edge-sensing");

/**
 * Settings without which the plan would not work: the tasks of its relays, and what an edge's input looks for; bridged
 * by its link, a plain contact.
 */
export function settingsOf(board: BoardProfile, placements: readonly Placed[]): BoardSet {
  const relays = placements.flatMap(({ place }) =>
    place?.kind === "relay"
      ? relaysOf(place).flatMap(({ output, task }) => (output.setBy ? [[output.setBy, task] as const] : []))
      : [],
  );
  const edge = placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && place.input.setBy.includes("edge-sensing")
      ? [sensingWord(demand.contact)]
      : [],
  )[0];
  const linked = board.inputs.some(isLinked);
  return {
    ...(linked ? { "edge-sensing": "contact" } : {}),
    ...Object.fromEntries(relays),
    ...(edge ? { "edge-sensing": edge } : {}),
  };
}
