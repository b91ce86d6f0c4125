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
    what: "The {leaf} leaf has no drive.",
    why: "A leaf without a drive cannot be wired or learned.",
    remedy: "Add a drive for it under devices.",
  },
  "leaf-without-stops": {
    severity: "fault",
    what: "The {leaf} leaf has no {stop} stop.",
    why: "This board finds the ends of travel by running onto fixed stops.",
    remedy: "Fit the stop before learning.",
  },
  "firmware-unknown": {
    severity: "caution",
    what: "Firmware {found} was found; this profile holds for {known}.",
    why: "A procedure of another firmware can do something else.",
    remedy: "Treat every key gesture as not known for this board until it has been seen to work.",
  },
} as const satisfies Record<string, FindingEntry>;
