import type { FindingEntry } from "./entry.ts";

/** Controls, what they give, and what of it counts. */
export const settingsFindings = {
  "force-off-for-learning": {
    severity: "fault",
    trap: 1,
    what: "{dial} stands at {clock}: {behaviour} is {value}, and learning needs at least {least}.",
    why: "With the force at or near off the leaf never moves, and the board reports a failed run.",
    remedy: "Turn {dial} to {target} and commit it before the learning run.",
  },
  "dial-below-threshold": {
    severity: "fault",
    trap: 13,
    what: "{dial} stands at {clock}: this reads as {reads}, and {wanted} is wanted.",
    why: "The dial has two functions; below {threshold} it says {reads} and the leaf delay has no effect.",
    remedy: "Turn {dial} to {target}.",
  },
  "not-committed": {
    severity: "fault",
    trap: 14,
    what: "{controls} moved without the commit gesture.",
    why: "The board goes on with the old setting until it is told to read the controls.",
    remedy: "{gesture}",
  },
  "dial-not-live": {
    severity: "note",
    trap: 46,
    what: "{dial} does not count: {reason}.",
    why: "This dial lives only together with another setting; turned alone it changes nothing.",
    remedy: "Leave it, or set the other control first and turn it then.",
  },
  "value-rounded": {
    severity: "note",
    what: "{behaviour}: {wanted} wanted, {given} given by {control} at {clock}.",
    why: "{reason}",
    remedy: "Time or measure it on site and trim when the difference matters.",
  },
  "value-out-of-reach": {
    severity: "caution",
    what: "{behaviour}: {wanted} wanted, {control} goes from {least} to {most}.",
    why: "The board cannot do more with this control.",
    remedy: "Accept {given}, or choose a board with a longer range.",
  },
  "behaviours-fight": {
    severity: "fault",
    what: "{control} sets {behaviours}, and no position gives them all as wanted.",
    why: "One control carries several behaviours; to have one is to lose the other.",
    remedy: "Decide which matters: {control} is planned at {clock}, which gives {given}.",
  },
  "behaviour-not-settable": {
    severity: "caution",
    what: "{behaviour} cannot be set on this board.",
    why: "No control of the profile sets it.",
    remedy: "Check that the board does it by itself, or drop the wish.",
  },
  "fixed-otherwise": {
    severity: "caution",
    what: "{behaviour}: {wanted} wanted, and this board has {given}.",
    why: "The board does it by itself; no control changes it.",
    remedy: "Accept {given}, or choose another board.",
  },
  "automatic-closing-unprotected": {
    severity: "danger",
    trap: 30,
    what: "Automatic closing is wanted and nothing guards the closing movement.",
    why: "A gate that closes by itself with nobody watching must see what stands in its way.",
    remedy: "Add a photocell or an edge that acts while closing, or go without automatic closing.",
  },
  "test-without-wire": {
    severity: "fault",
    trap: 38,
    what: "{input} is set to be tested, and {device} is not wired for it: {reason}.",
    why: "The board switches the sender off, sees no contact open, and refuses to move.",
    remedy: "Feed {device} from {rail} or set the test off; the first guards better.",
  },
  "wired-but-not-tested": {
    severity: "caution",
    trap: 38,
    what: "{device} hangs on {rail} so that it can be tested, and the test on {input} is off.",
    why: "A contact that sticks is found only by a test.",
    remedy: "Set the test on.",
  },
} as const satisfies Record<string, FindingEntry>;
