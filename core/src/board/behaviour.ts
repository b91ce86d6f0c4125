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

const reaction = {
  off: "off",
  closing: "on closing only",
  opening: "on opening only",
  both: "on opening and closing",
  stop: "stops everything",
} as const;
const task = {
  none: "nothing",
  moving: "while moving",
  open: "while open",
  closed: "while closed",
  "not-closed": "while not closed",
  courtesy: "courtesy light",
  lock: "lock impulse",
  brake: "motor brake",
  fault: "on a fault",
  "traffic-go": "green of a traffic light",
  "traffic-wait": "red of a traffic light",
} as const;
const inputUse = {
  step: "the step command",
  open: "opening only",
  close: "closing only",
  pedestrian: "the pedestrian opening",
  stop: "a stop",
  fire: "a fire contact",
  night: "a clock: its pause by night",
} as const;

const onFailure = {
  stays: "stays where it is",
  opens: "opens and stays open",
  closes: "closes and stays closed",
  "goes-on": "goes on working from the battery",
} as const;
const onOff = (label: string) => ({ label, type: "switch" }) as const;
const amount = (label: string, unit: string) => ({ label, type: "number", unit }) as const;
const choice = <C extends Record<string, string>>(label: string, choices: C) =>
  ({ label, type: "choice", choices }) as const;

/** The canonical behaviours: what an installer decides, whatever the board calls it. Ids are the same everywhere. */
const behaviours = {
  "drive-model": amount("Drive model, by its number", ""),
  "leaf-count": amount("Leaves", ""),
  "limit-sensing": choice("Ends of travel found by", {
    switches: "limit switches",
    series: "limit switches in series with the motor",
    magnets: "magnets",
    encoder: "the encoder",
    stops: "fixed stops",
  }),
  "limit-wiring": choice("Limit switches wired", {
    each: "each on a core of its own",
    "one-core": "both on one core",
    motor: "in series with the motor",
  }),
  rotation: choice("Rotation", { normal: "normal", inverted: "inverted" }),
  "travel-start": choice("Travel counted from", { closed: "closed", open: "open" }),
  "supply-voltage": amount("Supply", "V"),
  "automatic-closing": onOff("Automatic closing"),
  "automatic-closing-time": amount("Automatic closing after", "s"),
  "close-after-passage": onOff("Close after passage"),
  "first-pause": amount("First pause, by day", "s"),
  "second-pause": amount("Second pause", "s"),
  "night-pause": amount("Pause by night", "s"),
  "pedestrian-opening": amount("Pedestrian opening", "%"),
  "pedestrian-opening-mm": amount("Pedestrian opening, by its width", "mm"),
  "pedestrian-closing-time": amount("Pedestrian closing after", "s"),
  "pedestrian-pre-warning": amount("Pre-warning of pedestrian opening", "s"),
  "pedestrian-pre-warning-closing": amount("Pre-warning of pedestrian closing", "s"),
  "pre-warning": amount("Pre-warning before movement", "s"),
  "pre-warning-closing": amount("Pre-warning before closing", "s"),
  "opening-speed": amount("Opening speed", "%"),
  "closing-speed": amount("Closing speed", "%"),
  "slow-down-distance": amount("Slow-down over the last", "%"),
  "slow-down-speed": amount("Slow-down speed", "%"),
  acceleration: amount("Acceleration, 1 to 10", ""),
  deceleration: amount("Deceleration, 1 to 10", ""),
  force: amount("Force", "%"),
  "force-opening": amount("Force opening", "%"),
  "force-closing": amount("Force closing", "%"),
  "push-time": amount("Leans on what stops it for", "s"),
  "leaf-delay-opening": amount("Leaf delay on opening", "s"),
  "leaf-delay-closing": amount("Leaf delay on closing", "s"),
  "leaves-meet": onOff("Leaves meet together"),
  "electric-brake": onOff("Electric brake"),
  "brake-off": onOff("Braking left out"),
  "soft-stop": onOff("Soft stop"),
  "photocell-reaction": choice("Photocell acts", reaction),
  "photocell-test": onOff("Photocell tested before moving"),
  "photocell-2-reaction": choice("Second photocell acts", reaction),
  "edge-reaction": choice("Edge acts", reaction),
  "edge-test": onOff("Edge tested before moving"),
  "edge-sensing": choice("Edge input senses", {
    contact: "a contact",
    resistor: "an 8.2 kΩ end resistor",
    optical: "an optical edge",
  }),
  "edge-2-reaction": choice("Second edge acts", reaction),
  "stop-reaction": choice("Stop acts", reaction),
  "stop-ignored-opening": onOff("Stop ignored while opening"),
  "threshold-sensor-reaction": choice("Threshold sensor acts", reaction),
  "side-sensor-reaction": choice("Opening-side sensor acts", {
    off: "off",
    slows: "slows the leaf",
    stop: "stops the leaf",
  }),
  "interrupt-loop-reaction": choice("Interrupt loop acts", reaction),
  "loop-fault-action": choice("On a loop fault", {
    holds: "holds open",
    ignores: "goes on without the loop",
  }),
  "opposite-command": choice("An opposite command in mid-travel", { reverses: "reverses", stops: "stops" }),
  "command-logic": choice("Step command", {
    "open-stop-close-stop": "open, stop, close, stop",
    "open-close": "open, close, reversing in mid-travel",
    "open-only": "opens only",
    "hold-to-run": "runs only while held",
  }),
  "hold-to-run-opening": onOff("Hold-to-run for opening"),
  "hold-to-run-closing": onOff("Hold-to-run for closing"),
  "lock-output": choice("Lock output", {
    off: "off",
    impulse: "impulse before opening",
    held: "held while closed",
  }),
  "lock-function": amount("Lock function, by its number", ""),
  "flashing-light": choice("Flashing light", { steady: "fed steadily", flashing: "flashed by the board" }),
  "traffic-light": choice("Traffic light", {
    off: "off",
    "one-way": "one direction",
    "two-way": "both directions",
  }),
  "relay-1": choice("Relay 1", task),
  "relay-2": choice("Relay 2", task),
  "mains-failure-action": choice("On mains failure", onFailure),
  "battery-low-action": choice("On a low battery", onFailure),
  "low-energy": onOff("Low-energy mode"),
  "passer-by-saving": onOff("Passer-by saving"),
  "winter-opening": amount("Winter opening", "%"),
  programme: choice("Programme", {
    automatic: "automatic",
    "exit-only": "exit only",
    open: "held open",
    locked: "locked",
    winter: "automatic, winter opening",
  }),
  "test-run": onOff("Test run"),
  "fine-adjustment": amount("Fine adjustment of the limit", "mm"),
  "standby-rail": onOff("Accessory rail sleeps between cycles"),
  "listening-time": amount("Listening time of the radio", "s"),
  "remote-learning": choice("Learning of remotes", {
    board: "at the board only",
    distance: "at a distance as well, with a known remote",
  }),
  "input-1-use": choice("First input is for", inputUse),
  "input-2-use": choice("Second input is for", inputUse),
  "rain-action": choice("On rain", { ignores: "nothing", closes: "closes" }),
  "service-cycles": amount("Service reminder after", "cycles"),
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
  // Of a force, a speed or a travel there is no more than the whole.
  if (entry.type === "number" && entry.unit === "%" && (value as number) > 100) return "at most 100 %";
  if (entry.type === "choice" && !(typeof value === "string" && Object.hasOwn(entry.choices ?? {}, value)))
    return `one of ${Object.keys(entry.choices ?? {}).join(", ")}`;
  return undefined;
}
