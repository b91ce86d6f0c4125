import type { FindingEntry } from "./entry.ts";

/** Currents and volts: what limits carry, and what reaches each device. */
export const supplyFindings = {
  "ac-on-dc": {
    severity: "danger",
    trap: 20,
    what: "{device} wants {wanted}, and at {rail} there is {given}.",
    why: "{why}",
    remedy: "{remedy}",
  },
  "rail-overloaded": {
    severity: "fault",
    trap: 29,
    what: "{rail}: {load} {when}, against a limit of {limit}.",
    why: "The rail folds back or its fuse opens, and protection devices lose their supply.",
    remedy: "Move a load of at least {excess} to a supply of its own.",
  },
  "rail-inrush": {
    severity: "caution",
    what: "{rail}: {load} for a moment as {device} is switched on, against a limit of {limit}.",
    why: "A supply that folds back lets go of everything on it, and a relay may drop out in the middle of a movement.",
    remedy: "Feed {device} from a supply of its own, or choose one without such a surge.",
  },
  "converter-too-small": {
    severity: "fault",
    trap: 19,
    what: "{converter} carries {load} {when}, and it is made for {limit}.",
    why: "It folds back or burns out, and a lock on it lets go.",
    remedy: "Use a converter for {load} or more.",
  },
  "converter-asks-too-much": {
    severity: "fault",
    trap: 19,
    what: "{converter} asks {load} of {rail} to make {output}; the terminal gives {limit}.",
    why: "A rectifier with its capacitor draws more amps of a.c. than it gives of d.c.: power and form factor count, not amps for amps.",
    remedy: "Feed the converter from a supply of its own, or use a lock that takes less.",
  },
  "voltage-over": {
    severity: "danger",
    trap: 19,
    what: "{device} gets {volts}; it bears {most}.",
    why: "{reason}",
    remedy: "{remedy}",
  },
  "voltage-low": {
    severity: "fault",
    trap: 40,
    what: "{device} gets {volts} out of the {rail} through {cable}; it needs {least}.",
    why: "With everything working and the cores at {celsius} the run loses {lost}: the device drops out when it is needed.",
    remedy: "{remedy}",
  },
  "source-of-another-voltage": {
    severity: "danger",
    trap: 42,
    what: "{device} gives {given}; {terminals} are for {wanted}.",
    why: "Too much destroys the board or boils the battery; too little never charges and is taken for a fault.",
    remedy: "{remedy}",
  },
  "earth-unknown": {
    severity: "fault",
    what: "{device} stands on mains, and its data name no protective earth.",
    why: "A fault in it puts its housing under mains voltage, and no breaker trips.",
    remedy:
      "Read its plate: a square within a square stands for double insulation, and its data may say so. Otherwise name its earth pin there, and run that core to {terminal}.",
  },
  "mains-beside-low": {
    severity: "danger",
    what: "{cable} would carry mains beside extra-low voltage: {high}.",
    why: "One nick in the insulation puts mains on every contact and device of the cable.",
    remedy:
      "Run the mains cores in a cable, gland and conduit of their own; local code decides what else will do.",
  },
  "circuit-unsolved": {
    severity: "caution",
    what: "The circuit finds no steady state at {parts}.",
    why: "Parts that answer one another swing, or hang on nothing: what a meter shows there cannot be told.",
    remedy: "Look at how these are wired; readings around them are not to be trusted.",
  },
} as const satisfies Record<string, FindingEntry>;
