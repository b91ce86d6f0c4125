import {
  bothLeaves,
  conditionHolds,
  type BehaviourId,
  type BehaviourValue,
  type BoardInput,
  type Circumstances,
  type Condition,
} from "../../board/index.ts";
import { behavioursAt, movedControls, type Given, type Positions } from "../../controls/index.ts";
import type { Brain, Which } from "./brain.ts";

/** What positions in force set: they change seldom, and are asked for often. */
const known = new WeakMap<Positions, Given>();

/** The value of a behaviour in force; undefined where nothing sets it. */
export function inForce({ board, inForce: positions }: Brain, id: BehaviourId): BehaviourValue | undefined {
  const given = known.get(positions) ?? behavioursAt(board, positions);
  known.set(positions, given);
  return given[id];
}

/** Leaves this board moves: as many as it is set for where they truly move, else as many as its site has. */
export function leavesOf(brain: Brain): readonly Which[] {
  const set = brain.world && brain.leaves > 0 ? inForce(brain, "leaf-count") : undefined;
  return bothLeaves.slice(0, typeof set === "number" ? set : brain.leaves);
}

/** True for an input that a setting switches off. */
export const isOff = (brain: Brain, { off }: BoardInput): boolean =>
  off !== undefined && inForce(brain, off.behaviour) === off.is;

/** Ways of finding the ends in which a limit input is worked by the leaf. */
const byLimits = ["switches", "series", "magnets"];

/** True for a limit input that the leaf presses where it stands. */
function isPressed(brain: Brain, { takes, leaves }: BoardInput): boolean {
  // Where they truly move, the contacts at the ends are read as any other.
  if (brain.world) return false;
  const sensing = inForce(brain, "limit-sensing");
  if (sensing !== undefined && !byLimits.includes(String(sensing))) return false;
  const ends = { "limit-open": ["open"], "limit-closed": ["closed"], limits: ["open", "closed"] } as const;
  const [duty = "stop"] = takes;
  if (!(duty in ends) || brain.run) return false;
  const own = leavesOf(brain).filter(
    (leaf) =>
      !leaves ||
      leaves.includes(leaf === "second" ? "overlapped" : brain.leaves > 1 ? "overlapping" : "only"),
  );
  const at: readonly string[] = ends[duty as keyof typeof ends];
  return own.length > 0 && own.every((leaf) => at.includes(brain.at[leaf]));
}

/** True where a control was moved and is not read yet. */
const isPending = ({ positions, inForce: read }: Brain): boolean =>
  Object.values(movedControls(positions, read)).some((ids) => ids.length > 0);

/** Each board has one that asks for it, at whatever moment. */
const asking = new WeakMap<Brain, Circumstances>();

/** The running board as conditions ask for it: each is answered as the board stands when it is asked. */
export function askOf(brain: Brain): Circumstances {
  const ask = asking.get(brain) ?? circumstancesOf(brain);
  asking.set(brain, ask);
  return ask;
}

function circumstancesOf(brain: Brain): Circumstances {
  const all = (where: string) => {
    const leaves = leavesOf(brain);
    return leaves.length > 0 && leaves.every((leaf) => brain.at[leaf] === where);
  };
  return {
    power: (on) => brain.power === on,
    reads: (id, as) => {
      const input = brain.board.inputs.find((each) => each.id === id);
      if (!input) return as === "open";
      const worked = brain.tripped.has(id) || isPressed(brain, input);
      const closed = (input.contact === "closed") !== worked;
      return (closed || isOff(brain, input)) === (as === "closed");
    },
    learned: (memory, yes) => (brain.held[memory] ?? 0) > 0 === yes,
    mode: (word) => brain.mode === word,
    pending: (yes) => isPending(brain) === yes,
    behaviour: (id, fits) => fits(inForce(brain, id)),
    control: (id, at) => (brain.positions.switches[id] ?? brain.positions.dials[id]) === at,
    fitted: (card) => brain.cards.includes(card),
    leaf: (where) => {
      const moving = brain.run !== undefined;
      switch (where) {
        case "moving":
          return moving;
        case "opening":
        case "closing":
          return brain.run?.toward === (where === "opening" ? "open" : "closed");
        case "stopped":
          return !moving && !all("closed") && !all("open");
        case "between":
          return !all("closed") && !all("open");
        default:
          return !moving && all(where);
      }
    },
    supply: (from) => (from === "mains") === brain.mains,
    battery: (is) => brain.battery === is,
    timer: (runs) => runs === "pause" && brain.pause !== undefined,
    fault: (code) => brain.fault === code,
  };
}

export const holds = (brain: Brain, when: Condition): boolean => conditionHolds(when, askOf(brain));
