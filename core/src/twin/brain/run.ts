import { leavesOf } from "./ask.ts";
import type { End, LeafPlace } from "../../board/index.ts";
import { say, type Brain, type Run, type Which } from "./brain.ts";

/** Seconds from an end to half-way: a leaf without a plant has no speed, this only puts events in order. Assumed. */
export const halfTravelSeconds = 6;

const order: readonly LeafPlace[] = ["closed", "between", "open"];

/** The place one farther on. */
const onward = (place: LeafPlace, toward: End): LeafPlace =>
  order[order.indexOf(place) + (toward === "open" ? 1 : -1)] ?? place;

/** Where all leaves are, taken together. */
export function placeOf(brain: Brain): LeafPlace {
  const places = leavesOf(brain).map((leaf) => brain.at[leaf]);
  return places.every((place) => place === places[0]) ? (places[0] ?? "closed") : "between";
}

/** Sets leaves off toward an end; false where all of them are there already. */
export function setOff(
  brain: Brain,
  toward: End,
  because: Run["because"],
  leaves: readonly Which[] = leavesOf(brain),
  to: LeafPlace = toward,
): boolean {
  halt(brain);
  brain.resumes = undefined;
  const moving = leaves.filter((leaf) => brain.at[leaf] !== to);
  if (!moving.length) return false;
  brain.pause = undefined;
  const left = brain.world ? Infinity : halfTravelSeconds;
  brain.run = { toward, to, leaves: moving, because, left, since: 0, there: [] };
  brain.last = toward;
  say(brain, { kind: "moves", toward, leaves: moving });
  return true;
}

/** Where the leaves of a run are when it is broken off: one that had set off from an end is between the ends. */
function halt(brain: Brain): void {
  const { run } = brain;
  if (!run) return;
  if (!brain.world && run.left < halfTravelSeconds)
    for (const leaf of run.leaves)
      if (brain.at[leaf] !== "between" && brain.at[leaf] !== run.to) brain.at[leaf] = "between";
  brain.run = undefined;
}

/** Stops whatever moves. */
export function stop(brain: Brain): void {
  if (!brain.run) return;
  halt(brain);
  say(brain, { kind: "stops", at: placeOf(brain) });
}

/** The leaves come to their next place; true once they are where they go to. */
export function moveOn(brain: Brain, run: Run): boolean {
  for (const leaf of run.leaves)
    if (brain.at[leaf] !== run.to) brain.at[leaf] = onward(brain.at[leaf], run.toward);
  if (run.leaves.some((leaf) => brain.at[leaf] !== run.to)) {
    run.left = halfTravelSeconds;
    return false;
  }
  brain.run = undefined;
  say(brain, { kind: "stops", at: placeOf(brain) });
  return true;
}
