import type { BehaviourId } from "../board/index.ts";

/** Behaviours that only a pair of leaves has. */
export const ofPairs: readonly BehaviourId[] = ["leaf-delay-opening", "leaf-delay-closing", "leaves-meet"];

/** Behaviours that serve the same end: what a board cannot do by the one it may do by another. */
const families: readonly (readonly BehaviourId[])[] = [
  ["automatic-closing-time", "first-pause", "second-pause", "night-pause", "pedestrian-closing-time"],
  ["pedestrian-opening", "pedestrian-opening-mm", "winter-opening"],
  ["pre-warning", "pre-warning-closing", "pedestrian-pre-warning", "pedestrian-pre-warning-closing"],
  ["opening-speed", "closing-speed", "slow-down-speed", "low-energy"],
  ["slow-down-distance", "slow-down-speed", "soft-stop", "deceleration"],
  ["force", "force-opening", "force-closing"],
  ofPairs,
  ["electric-brake", "brake-off", "soft-stop"],
  ["command-logic", "hold-to-run-opening", "hold-to-run-closing"],
  ["lock-output", "lock-function", "relay-1", "relay-2"],
  ["photocell-reaction", "photocell-2-reaction", "threshold-sensor-reaction"],
  ["mains-failure-action", "battery-low-action"],
];

/** What serves the same end as a behaviour, the nearest first. */
export const kinOf = (id: BehaviourId): BehaviourId[] =>
  [...new Set(families.filter((family) => family.includes(id)).flat())].filter((each) => each !== id);
