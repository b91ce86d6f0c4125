import type { BehaviourId, End } from "../../board/index.ts";
import { inForce, leavesOf } from "./ask.ts";
import type { Brain, Run, Which } from "./brain.ts";
import { isSlowed } from "./command.ts";
import { knowsTravel } from "./memory.ts";

/** What the board does with one leaf's drive during a run. */
export interface Leg {
  toward: End;
  /** Seconds of the run after which it is driven: the warning, and its wait for the other leaf. */
  after: number;
  /** Parts of the volts it could give: on the way, and over the last part of the travel. */
  full: number;
  slow: number;
  /** Part of the travel that is driven slowly; none while the board does not know the travel. */
  slowPart: number;
  /** Part of the drive's thrust above which it gives way. */
  force: number;
  /** The board knows how far the leaf goes. */
  knows: boolean;
  /** Its learned speed is damaged: it does not run as it should. */
  falters: boolean;
}

/** What a board does where no behaviour says it; assumed. */
const assumed = {
  leafDelaySeconds: 2,
  slowSpeed: 0.35,
  learnSpeed: 0.5,
  heldSpeed: 0.75,
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

/** How fast a program's phase, or a key that is held, moves a leaf; undefined on command, where it is as set. */
function heldOrPhase(brain: Brain, { because }: Run): number | undefined {
  if (because === "held") return assumed.heldSpeed;
  const speed = because === "phase" ? brain.running?.queue[0]?.speed : undefined;
  return speed === "slow" ? assumed.slowSpeed : speed === "learn" ? assumed.learnSpeed : undefined;
}

const speedsOf = ({ board }: Brain) => board.memories.filter(({ holds }) => holds === "speed");

/** A board that learns its speeds goes slowly until it has learned them again. */
const lacksSpeed = (brain: Brain): boolean => speedsOf(brain).some(({ id }) => (brain.held[id] ?? 0) === 0);

/** Damaged data of a pair is that of the leaf that follows. */
const hasDamagedSpeed = (brain: Brain): boolean => speedsOf(brain).some(({ id }) => brain.damaged.has(id));

/** What the board does with a leaf's drive in the run that is under way; undefined where it does nothing with it. */
export function legOf(brain: Brain, leaf: Which): Leg | undefined {
  const { run } = brain;
  if (!brain.power || !run?.leaves.includes(leaf)) return undefined;
  const { toward, because } = run;
  const full = percent(brain, toward === "open" ? "opening-speed" : "closing-speed") ?? 1;
  const knows = knowsTravel(brain);
  const slowed = isSlowed(brain, toward) || (knows && lacksSpeed(brain));
  const even = slowed ? assumed.slowSpeed : heldOrPhase(brain, run);
  const backsOff = run.mostM !== undefined;
  return {
    toward,
    after: backsOff ? 0 : warningOf(brain, run) + delayOf(brain, run, leaf),
    full: even ?? full,
    slow: even ?? Math.min(full, percent(brain, "slow-down-speed") ?? assumed.slowSpeed),
    slowPart: knows ? (percent(brain, "slow-down-distance") ?? assumed.slowDownPart) : 0,
    force:
      percent(brain, toward === "open" ? "force-opening" : "force-closing") ?? percent(brain, "force") ?? 1,
    knows,
    falters: because !== "phase" && leaf === leavesOf(brain).at(-1) && hasDamagedSpeed(brain),
  };
}
