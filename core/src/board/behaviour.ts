import { plainNumber } from "../quantity/index.ts";

/** A value a behaviour can take: on or off, a number in its unit, or one of its words. */
export type BehaviourValue = boolean | number | string;

interface Behaviour {
  label: string;
  type: "switch" | "number" | "choice";
  /** Unit of a number, as it is printed after it. */
  unit?: string;
  /** Words of a choice, and how each is told to people. */
  choices?: Record<string, string>;
}

/** The canonical behaviours: what an installer decides, whatever the board calls it. Ids are the same everywhere. */
const behaviours = {
  "leaf-count": { label: "Leaves", type: "number", unit: "" },
  "automatic-closing": { label: "Automatic closing", type: "switch" },
  "automatic-closing-time": { label: "Automatic closing after", type: "number", unit: "s" },
  "close-after-passage": { label: "Close after passage", type: "switch" },
  "pre-warning": { label: "Pre-warning before movement", type: "number", unit: "s" },
  force: { label: "Force", type: "number", unit: "%" },
  "leaf-delay-closing": { label: "Leaf delay on closing", type: "number", unit: "s" },
  "leaf-delay-opening": { label: "Leaf delay on opening", type: "number", unit: "s" },
  "soft-stop": { label: "Soft stop", type: "switch" },
  "photocell-reaction": {
    label: "Photocell acts",
    type: "choice",
    choices: { closing: "on closing only", both: "on opening and closing" },
  },
  "command-logic": {
    label: "Step command",
    type: "choice",
    choices: {
      "step-by-step": "open, stop, close, stop",
      "open-close": "open, close, reversing in mid-travel",
      "open-only": "opens only",
    },
  },
  "lock-output": {
    label: "Lock output",
    type: "choice",
    choices: { impulse: "impulse before opening", held: "held while closed" },
  },
} as const satisfies Record<string, Behaviour>;

export type BehaviourId = keyof typeof behaviours;

/** All behaviour ids, in the order they are asked for. */
export const behaviourIds = Object.keys(behaviours) as [BehaviourId, ...BehaviourId[]];

/** The catalogue's entry of one behaviour. */
export function behaviour(id: BehaviourId): Behaviour {
  return behaviours[id];
}

/** A behaviour's value as people read it: "on", "30 s", "on closing only". */
export function behaviourText(id: BehaviourId, value: BehaviourValue): string {
  const entry = behaviour(id);
  if (typeof value === "boolean") return value ? "on" : "off";
  if (typeof value === "number") return plainNumber(value) + (entry.unit ? ` ${entry.unit}` : "");
  return entry.choices?.[value] ?? value;
}

/** Why this value is not one the behaviour can take, or undefined when it is. */
export function behaviourMisfit(id: BehaviourId, value: BehaviourValue): string | undefined {
  const entry = behaviour(id);
  if (entry.type === "switch" && typeof value !== "boolean") return "true or false";
  if (entry.type === "number" && (typeof value !== "number" || value < 0))
    return `a number${entry.unit ? ` in ${entry.unit}` : ""}, not under 0`;
  if (entry.type === "choice" && !(typeof value === "string" && Object.hasOwn(entry.choices ?? {}, value)))
    return `one of ${Object.keys(entry.choices ?? {}).join(", ")}`;
  return undefined;
}
