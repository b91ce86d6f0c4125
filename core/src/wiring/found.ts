import type { Installation } from "../circuit/index.ts";
import type { Subject } from "../finding/index.ts";
import type { Difference, Sits } from "./difference.ts";
import type { WiringPlan } from "./plan.ts";

/** An installation as it is wired, with its plan and where cores were found. */
export interface AsWired {
  at: Installation;
  wiring: Pick<WiringPlan, "devices" | "cores" | "placements">;
  sits: Sits;
}

/** A device as what a finding is about. */
export const device = (id: string): Subject => ({ kind: "device", id });
/** The terminal of a place; undefined for any other place. */
export const terminalOfNode = (place: string) =>
  place.startsWith("board/") ? place.slice("board/".length) : undefined;

/** What a difference is about: its device, the terminal it was found on and the one it is planned on. */
export function subjectsOf(difference: Difference): Subject[] {
  const terminals = [difference.found, difference.planned?.to ?? "off"].flatMap(
    (place) => terminalOfNode(place) ?? [],
  );
  return [device(difference.device), ...terminals.map((id): Subject => ({ kind: "terminal", id }))];
}
