import type { FindingEntry } from "./entry.ts";

/** What shows as the job is run: opened and closed once, everything done as planned and wired as it was found. */
export const runningFindings = {
  "run-never-opens": {
    severity: "fault",
    what: "Run as planned, the {thing} does not come to its open end.",
    why: "It was commanded to open and stood before it got there. {told}",
    remedy:
      "Look at the moment on the running bench; then at the drives' cores, the force, and what reads open.",
  },
  "run-never-closes": {
    severity: "fault",
    what: "Run as planned, the {thing} never closes.",
    why: "It was commanded to close and does not come to its closed end. {told}",
    remedy:
      "Look at the moment on the running bench; then at what guards closing, the force, and the closed end.",
  },
  "run-turns-back": {
    severity: "danger",
    what: "Run as planned, the {thing} turns back by itself.",
    why: "Nobody is in its way and it takes something for an obstacle: whoever walks through meets a leaf that moves when nobody expects it. {told}",
    remedy:
      "Look at the moment on the running bench; then ease the leaf, give more force, or set its slow-down longer.",
  },
  "run-binds": {
    severity: "danger",
    what: "Run as planned, the leaves meet in the wrong order and bind.",
    why: "The overlapped leaf lies on the strip of the other: the drives press them together until hinges give.",
    remedy:
      "Look at the moment on the running bench; then at which leaf is wired as the first, and at the leaf delay.",
  },
  "run-drains": {
    severity: "fault",
    what: "Run as planned, the battery runs down: {cycles} cycles and a day at rest take {takes} A·h, the sun gives {gives} A·h.",
    why: "With {hours} hours of full sun a day it is empty after about {days} days, and is then taken for the fault.",
    remedy:
      "Take off what draws at rest, let the board sleep, or put in a larger panel; check its jumper and its leads.",
  },
} as const satisfies Record<string, FindingEntry>;
