import type { BehaviourId, End } from "../../board/index.ts";
import { inForce } from "./ask.ts";
import type { Brain, Run, Which } from "./brain.ts";

/** What the board does with one leaf's drive. */
export interface Order {
  toward: End;
  /** Part of the volts it could give. */
  speed: number;
  /** Part of the drive's thrust above which it gives way. */
  force: number;
}

/** What a board does where no behaviour says it; assumed. */
const assumed = {
  leafDelaySeconds: 2,
  slowSpeed: 0.35,
  learnSpeed: 0.5,
  heldSpeed: 0.6,
  slowDownPart: 0.12,
};

const number = (brain: Brain, id: BehaviourId): number | undefined => {
  const value = inForce(brain, id);
  return typeof value === "number" ? value : undefined;
};

const percent = (brain: Brain, id: BehaviourId): number | undefined => {
  const value = number(brain, id);
  return value === undefined ? undefined : value / 100;
};

/** Seconds a leaf waits for the other: the overlapping one leads on opening and follows on closing. */
function delayOf(brain: Brain, { leaves, toward }: Run, leaf: Which): number {
  const follows: Which = toward === "open" ? "second" : "first";
  if (leaves.length < 2 || leaf !== follows || inForce(brain, "leaves-meet") === true) return 0;
  return (
    number(brain, toward === "open" ? "leaf-delay-opening" : "leaf-delay-closing") ?? assumed.leafDelaySeconds
  );
}

/** Seconds of warning before anything moves on command. */
function warningOf(brain: Brain, { toward, because, to }: Run): number {
  if (because !== "command") return 0;
  const pedestrian = to === "between";
  const closing = toward === "closed" ? number(brain, "pre-warning-closing") : undefined;
  const walking = pedestrian ? number(brain, "pedestrian-pre-warning") : undefined;
  return closing ?? walking ?? number(brain, "pre-warning") ?? 0;
}

function speedOf(brain: Brain, { because, toward }: Run, left: number | undefined): number {
  if (because === "held") return assumed.heldSpeed;
  const learning = because === "phase" ? brain.running?.queue[0]?.speed : undefined;
  if (learning === "slow") return assumed.slowSpeed;
  if (learning === "learn") return assumed.learnSpeed;
  const full = percent(brain, toward === "open" ? "opening-speed" : "closing-speed") ?? 1;
  const last = percent(brain, "slow-down-distance") ?? assumed.slowDownPart;
  if (left === undefined || left > last) return full;
  return Math.min(full, percent(brain, "slow-down-speed") ?? assumed.slowSpeed);
}

/**
 * What the board does with a leaf's drive just now; undefined where it does nothing. `left` is the part of its travel that
 * is still before it, as far as the board knows it.
 */
export function orderOf(brain: Brain, leaf: Which, left?: number): Order | undefined {
  const { run } = brain;
  if (!brain.power || !run?.leaves.includes(leaf) || run.there.includes(leaf)) return undefined;
  if (run.since < warningOf(brain, run) + delayOf(brain, run, leaf)) return undefined;
  const { toward } = run;
  return {
    toward,
    speed: speedOf(brain, run, left),
    force:
      percent(brain, toward === "open" ? "force-opening" : "force-closing") ?? percent(brain, "force") ?? 1,
  };
}
