import type { FindingEntry } from "./entry.ts";

/** Where devices find their places on the board, and the links beside them. */
export const placingFindings = {
  "link-beside-device": {
    severity: "danger",
    trap: 3,
    what: "Link {link} is still in beside {device}.",
    why: "The link bridges the input, so {device} is wired and guards nothing.",
    remedy: "Take {link} out, then trip {device} and see {lamp} change.",
  },
  "link-missing": {
    severity: "fault",
    trap: 4,
    what: "Link {link} is out and nothing is wired to {input}.",
    why: "An unused input of this kind must be bridged; open, it holds the gate.",
    remedy: "Put {link} in between {terminals}.",
  },
  "open-contact-on-closed-input": {
    severity: "fault",
    trap: 39,
    what: "{device} has a contact that rests open; {input} needs one that rests closed.",
    why: "The input would read tripped at rest, and a cut core could not be told from rest.",
    remedy: "Use the normally closed contact of {device}, or another device.",
  },
  "contacts-chained": {
    severity: "note",
    what: "{devices} share {input} in series.",
    why: "Which one tripped can no longer be told at the board{lost}.",
    remedy: "When {tripped}, trip and clear them one by one to find the open one. {room}",
  },
  "device-unplaced": {
    severity: "fault",
    what: "{device}: no place for its {part}.",
    why: "{reason}",
    remedy: "{remedy}",
  },
  "terminal-crowded": {
    severity: "caution",
    what: "{terminal} would hold {cores}; it takes {holds}.",
    why: "Cores crowded under one clamp work loose.",
    remedy: "Join them in a connector and run one core to {terminal}.",
  },
  "pin-impossible": {
    severity: "caution",
    what: "{pin} of {device} was wanted on {terminal}: {reason}.",
    why: "What is wanted is kept only where the terminal can take it.",
    remedy: "{instead} Take the wish back, or want it elsewhere.",
  },
  "rail-sleeps": {
    severity: "fault",
    trap: 31,
    what: "{device} must always live and hangs on {rail}, which lives only while {live}.",
    why: "At rest it has no supply and answers nothing; a lock on it lets go.",
    remedy: "{remedy}",
  },
  "lock-not-switched": {
    severity: "fault",
    what: "{device} hangs on {rail} alone, and no output of the board switches it.",
    why: "A magnet on it never lets go, and a strike is open all the time: the drive pulls against it, or nothing is locked.",
    remedy: "Lead it through a relay that is set for the lock, or feed it from lock terminals of the board.",
  },
  "rail-never-sleeps": {
    severity: "caution",
    what: "{device} should live only while it is needed, and {rail} is always on.",
    why: "{reason}",
    remedy: "Feed it from a switched rail, or choose a device that may live always.",
  },
  "converters-in-a-ring": {
    severity: "fault",
    what: "{devices} could only feed one another, round in a ring.",
    why: "None of them ever gets anything from outside.",
    remedy: "Feed the first of them from a terminal of the board, or use another converter.",
  },
  "plan-not-proved": {
    severity: "caution",
    what: "The search for the best wiring was cut short.",
    why: "So many devices compete for so few places that trying every way would take too long.",
    remedy: "The plan works as far as it goes; pin or remove devices to have the best one proved.",
  },
} as const satisfies Record<string, FindingEntry>;
