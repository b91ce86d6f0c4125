import {
  behaviourIds,
  settableBehaviours,
  wordsSet,
  type BehaviourId,
  type BehaviourValue,
} from "../../board/index.ts";
import { deliveredGives, ofPairs } from "../../controls/index.ts";
import { customaryStarts } from "../../job/index.ts";
import { listed } from "../../quantity/index.ts";
import { hasBattery } from "../../runsheet/index.ts";
import type { Planned } from "../../state/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { decisionsOf, type Decision } from "./decided.ts";

/** A behaviour as it is asked for on a job. */
export interface WishLine {
  id: BehaviourId;
  wished?: BehaviourValue;
  /** What a job of this kind begins with, and why; without a reason it is what the board is delivered with. */
  start?: { value: BehaviourValue; why?: string };
  /** What the site decides, and why; `overruled` where the wish holds all the same. */
  decided?: Pick<Decision, "value" | "why"> & { overruled: boolean };
  /** Words it can be given on this board; of numbers none. */
  words: BehaviourValue[];
  /** Why it is not asked: nothing here would use it. */
  idle?: string;
}

const eyes: readonly DeviceProfile["kind"][] = ["photocell", "loop", "loop-detector", "sensor"];

/** Behaviours that only some device makes use of. */
const uses: Partial<Record<BehaviourId, { kinds: readonly DeviceProfile["kind"][]; none: string }>> = {
  "lock-output": { kinds: ["lock"], none: "There is no lock." },
  "lock-function": { kinds: ["lock"], none: "There is no lock." },
  "flashing-light": { kinds: ["flashing-light"], none: "There is no flashing light." },
  "traffic-light": { kinds: ["traffic-light"], none: "There is no traffic light." },
  "close-after-passage": { kinds: eyes, none: "Nothing sees a passage: there is no photocell and no loop." },
  "loop-fault-action": { kinds: ["loop", "loop-detector"], none: "There is no loop." },
};

/** Why nothing on this site would use a behaviour that the board can be set to; undefined where something does. */
function idleReason(planned: Planned, id: BehaviourId, decided: boolean): string | undefined {
  const {
    bundle: { board, job },
    wiring,
  } = planned;
  const kinds = wiring.devices.map(({ profile }) => profile.kind);
  const use = uses[id];
  if (use && !use.kinds.some((kind) => kinds.includes(kind))) return use.none;
  if (ofPairs.includes(id) && job.survey.leaves.length < 2)
    return "There is one leaf: it waits for no other.";
  if (id === "battery-low-action" && board.battery && !hasBattery(planned)) return "There is no battery.";
  const inputs = board.inputs.filter(({ setBy, off }) => setBy.includes(id) || off?.behaviour === id);
  const taken = new Set(
    wiring.placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])),
  );
  if (inputs.length && !inputs.some((input) => taken.has(input.id)))
    return `Nothing sits on ${listed(inputs.map(({ label, terminal }) => `${label} (${terminal})`))}.`;
  const outputs = board.outputs.filter(({ setBy }) => setBy === id);
  // What is wired to a relay decides its task.
  if (outputs.length && !decided) return `Nothing is wired to ${listed(outputs.map(({ label }) => label))}.`;
  return undefined;
}

/** What a job of this kind begins with: its preset's value, what is customary, or what a new board has. */
function startOf({ bundle: { board, job } }: Planned, id: BehaviourId): WishLine["start"] {
  const words = wordsSet(board, id);
  const can = (value: BehaviourValue) => typeof value === "number" || words.includes(value);
  const preset = job.preset?.wishes[id];
  if (preset && can(preset.value)) return preset;
  const customary = customaryStarts[id];
  if (customary && can(customary.value)) return customary;
  const delivered = deliveredGives(board)[id];
  return delivered === undefined ? undefined : { value: delivered };
}

/** Every behaviour the board can be set to or that is wished, in the order of the work, with why it is or is not asked. */
export function askedWishes(planned: Planned): WishLine[] {
  const { board, job } = planned.bundle;
  const settable = settableBehaviours(board);
  const decisions = new Map(decisionsOf(planned.bundle, planned.wiring).map((each) => [each.id, each]));
  return behaviourIds
    .filter((id) => settable.has(id) || job.wishes[id] !== undefined)
    .map((id): WishLine => {
      const decision = decisions.get(id);
      const wished = job.wishes[id];
      const start = startOf(planned, id);
      const idle =
        wished === undefined || decision?.firm ? idleReason(planned, id, decision !== undefined) : undefined;
      return {
        id,
        ...(wished === undefined ? {} : { wished }),
        ...(start ? { start } : {}),
        ...(decision
          ? {
              decided: {
                value: decision.value,
                why: decision.why,
                overruled: decision.firm
                  ? (job.overruled ?? []).includes(id)
                  : wished !== undefined && wished !== decision.value,
              },
            }
          : {}),
        words: [...new Set(wordsSet(board, id))],
        ...(idle === undefined ? {} : { idle }),
      };
    });
}
