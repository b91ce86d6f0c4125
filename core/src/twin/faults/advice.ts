import type { FaultKind } from "./kinds.ts";

/** How often a fault is met beside others, and what is done about it; custom of the trade, no source. */
interface Advice {
  /** 1 seldom to 10 daily. */
  often: number;
  /** What to do, in a sentence. */
  todo: string;
}

/** What an installer looks at first, and then. */
export const advice: Record<FaultKind, Advice> = {
  "core-off": {
    often: 9,
    todo: "With the power off tug at each of its cores, at both ends, and seat what is loose on bare copper.",
  },
  "core-elsewhere": {
    often: 8,
    todo: "Follow the core from its device, and seat it where the wire list has it.",
  },
  "link-in": { often: 8, todo: "Take the link out: it bridges what is wired beside it." },
  "link-out": { often: 7, todo: "Put the link back: nothing else closes this input." },
  "beam-off-line": {
    often: 9,
    todo: "Wipe both lenses, line sender and receiver up until the receiver's own lamp stays steady.",
  },
  "beam-battery-empty": { often: 5, todo: "Change the battery in the sender, and note the date on it." },
  "contact-stuck": {
    often: 5,
    todo: "Take the device off its terminals and measure its contact by itself, worked and at rest.",
  },
  "edge-cut": {
    often: 6,
    todo: "Measure the edge's line from the board, then piece by piece along it: it is broken where the reading changes.",
  },
  "loop-holds": {
    often: 4,
    todo: "Reset the detector with nothing on the loop, then lower its sensitivity a step.",
  },
  "loop-blind": {
    often: 4,
    todo: "Measure the loop's resistance and its insulation, then raise the sensitivity a step.",
  },
  "phases-turned": { often: 7, todo: "With the power off and proved, exchange two of the supply's phases." },
  "phase-lost": {
    often: 6,
    todo: "Measure all three phases against each other, at the board and at the fuses.",
  },
  "selector-wrong": {
    often: 3,
    todo: "With the power off set the supply selector to the voltage that was measured.",
  },
  "motor-reversed": {
    often: 7,
    todo: "With the power off exchange the drive's two direction cores, or answer the direction the other way.",
  },
  "dry-hinge": {
    often: 6,
    todo: "Release the drive and move the leaf by hand: ease what is heavy before any force is raised.",
  },
  "bent-leaf": {
    often: 3,
    todo: "Release the drive, move the leaf by hand, and find the place where it rubs.",
  },
  wind: {
    often: 3,
    todo: "Wait until the wind drops, and try again; a solid leaf in much wind wants a stronger drive.",
  },
  slope: { often: 2, todo: "Hang the leaf level: a drive that lifts it does not hold its limits." },
  "weak-spring": {
    often: 4,
    todo: "Release the drive half-way: a balanced door stays. Springs are tensioned by those who are trained for it.",
  },
  "slack-belt": {
    often: 4,
    todo: "Tension the belt until it gives by its own width and no more, then learn the travel again.",
  },
  "limit-slipped": {
    often: 6,
    todo: "Set the magnet or cam to the end again, tighten it, and learn the travel again.",
  },
  "lock-misses": { often: 5, todo: "Close the leaf by hand and see bolt and plate meet; move the plate." },
  "panel-reversed": { often: 4, todo: "Measure the panel's leads in the sun, and exchange them." },
};
