import type { FindingEntry } from "./entry.ts";

/** The site: leaves, cards, housings, firmware. */
export const siteFindings = {
  "alignment-jumper-on": {
    severity: "fault",
    trap: 8,
    what: "{device}: jumper {jumper} is on, and it is for {only} only.",
    why: "While it is left on, {otherwise}.",
    remedy: "Take {jumper} off now that the device is aligned, and note it as off.",
  },
  "radio-card-missing": {
    severity: "fault",
    trap: 28,
    what: "{device} talks by radio, and no card that hears it is fitted.",
    why: "Learning it will seem to work by its own lamp and nothing will be stored in the board.",
    remedy: "{remedy}",
  },
  "clearance-short": {
    severity: "danger",
    trap: 35,
    what: "{device} has {has} of free space beside it; it needs {needs}.",
    why: "What moves past it will strike it, or catch a hand between the two.",
    remedy: "Move the housing, or choose a flatter one, before anything is powered.",
  },
  "leaf-without-drive": {
    severity: "fault",
    what: "{leaf} has no drive.",
    why: "What has no drive is neither wired nor learned.",
    remedy: "Add a drive for it under devices.",
  },
  "leaf-without-stops": {
    severity: "fault",
    what: "{leaf} has no {stop} stop.",
    why: "This board finds the ends of travel by running onto fixed stops.",
    remedy: "Fit the stop before learning.",
  },
  "leaf-too-heavy": {
    severity: "fault",
    what: "{leaf} weighs {mass}; {drive} is made for {rated} at most.",
    why: "It runs hot, stops on the way in wind or cold, and its force cannot be set for what stands in the way.",
    remedy: "Choose a stronger drive, or a lighter leaf.",
  },
  "header-too-shallow": {
    severity: "fault",
    what: "{drive} needs {needs} over the opening; there are {has}.",
    why: "It does not fit, or its cover is left off and belt or shaft lie open.",
    remedy: "Choose a drive that is less deep, or have the header made deeper.",
  },
  "memory-full": {
    severity: "fault",
    trap: 32,
    what: "{count} remotes are to be learned; {board} keeps {capacity}.",
    why: "Learning one more seems to work at the lamp and stores nothing, or takes the place of another.",
    remedy: "Erase remotes that are no longer held, by the register, or use a receiver of its own.",
  },
  "not-proved-dead": {
    severity: "fault",
    trap: 22,
    what: "There has been work at the board, and this was not seen before it: {steps}.",
    why: "A breaker that is not locked and marked is switched on by somebody else; a battery moves the leaf.",
    remedy: "Stop, isolate and prove dead before the next hand goes in.",
  },
  "learning-lost": {
    severity: "fault",
    trap: 41,
    what: "{memory} was learned once and has been forgotten since.",
    why: "After a reset the board moves without knowing where the ends are, or refuses to move.",
    remedy: "Learn it again, then read the force and prove what follows from it.",
  },
  "force-proof-void": {
    severity: "fault",
    trap: 45,
    what: "The force was proved before this changed: {changes}",
    why: "What an obstacle feels has changed with it; the reading in the record is of another door.",
    remedy: "Measure the force again, at every gap.",
  },
  "moved-before-noted": {
    severity: "fault",
    trap: 21,
    what: "{controls} moved before the board was noted as found.",
    why: "How it stood is known to nobody now: after a reset there is nothing to go back to.",
    remedy:
      "Note under Survey how everything stood, as far as anyone remembers, and photograph the rest before it moves.",
  },
  "power-cycled-for-corruption": {
    severity: "caution",
    trap: 23,
    what: "The power was switched off and on, and {memory} is still as it was: {procedure} was begun and not done.",
    why: "What is stored damaged stays so: switching the power changes nothing, and the fault is taken for the board's.",
    remedy: "Go through {procedure}; whole boards are exchanged for this, needlessly.",
  },
  "procedure-of-another-firmware": {
    severity: "fault",
    trap: 49,
    what: "{procedure} was begun, and the board as noted has no such procedure: firmware {found}.",
    why: "The keys of another generation do something else, or move the leaf.",
    remedy: "Read the firmware again, and take a procedure that holds for it.",
  },
  "firmware-needed": {
    severity: "caution",
    trap: 10,
    what: "The firmware is not noted, and on {board} {way} depends on it.",
    why: "The keys of another firmware lead elsewhere, or move the leaf.",
    remedy: "Read it at power-up and note it under Survey before any key is pressed.",
  },
  "firmware-unknown": {
    severity: "caution",
    what: "Firmware {found} was found; this profile holds for {known}.",
    why: "A procedure of another firmware can do something else.",
    remedy: "Treat every key gesture as not known for this board until it has been seen to work.",
  },
} as const satisfies Record<string, FindingEntry>;
