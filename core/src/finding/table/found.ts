import type { FindingEntry } from "./entry.ts";

/** The wiring and the bench as they are found. */
export const foundFindings = {
  "protection-open": {
    severity: "fault",
    trap: 2,
    what: "{input} ({terminal}) reads open.",
    why: "The board refuses to learn or to move while a protection input is open.",
    remedy: "Look for a missing link, a loose core or a blocked device on {terminal}.",
  },
  "source-reversed": {
    severity: "danger",
    trap: 5,
    what: "{device}: its + sits on {minus} and its − on {plus}.",
    why: "A panel the wrong way round never charges, and a battery or panel reversed can destroy the charger.",
    remedy: "Cover the panel or unplug the battery, prove no voltage, and exchange the two cores.",
  },
  "plugged-while-live": {
    severity: "fault",
    trap: 18,
    what: "{device} was landed while the system had power.",
    why: "A coil or a battery joined under power strikes an arc and can take the output with it.",
    remedy: "Isolate, part it and land it again without power; then test the output it hangs on.",
  },
  "drive-on-wrong-output": {
    severity: "fault",
    trap: 37,
    what: "{device} sits on {found}; this board wants it on {wanted}.",
    why: "The board drives its outputs in an order and with limits of their own: on the other one the only motor does not run, or runs as a second leaf.",
    remedy: "Move its cores to {wanted} without power.",
  },
  "plugs-swapped": {
    severity: "danger",
    trap: 44,
    what: "The plugs {one} and {other} are of one shape and sit in each other's place.",
    why: "Every core of both is on a wrong terminal, supply and signal mixed.",
    remedy: "Isolate, exchange the two plugs and mark them.",
  },
  "battery-left-connected": {
    severity: "danger",
    trap: 47,
    what: "{device} is connected while the board is isolated.",
    why: "A battery keeps board and drive alive: the leaf can move with hands in it.",
    remedy: "Unplug the battery, and prove dead again.",
  },
  "core-misplaced": {
    severity: "fault",
    what: "{core} of {device} sits on {found}; planned is {planned}.",
    why: "{effect}",
    remedy: "Move it to {planned}, or keep it and have the plan made around it.",
  },
  "motor-leads-exchanged": {
    severity: "fault",
    what: "{device} has its leads {leads} exchanged on {terminals}: its leaf runs the wrong way.",
    why: "The board opens as it closes: limits, learning and every protection act in the wrong direction.",
    remedy: "Isolate and exchange them, or invert the rotation where the board can; never both.",
  },
  "leads-and-rotation": {
    severity: "fault",
    trap: 36,
    what: "{device} has its leads exchanged and the rotation is {rotation}, planned {planned}.",
    why: "The two undo one another: the leaf runs the way it ran before, and the next one here will not see why.",
    remedy: "Put the leads where they are planned, and set the rotation as planned.",
  },
  "cores-exchanged": {
    severity: "note",
    what: "{cores} of {device} sit in one another's place.",
    why: "They work as well there; only the wire list no longer says where each is.",
    remedy: "Leave them, or exchange them when the cabinet is open without power anyway.",
  },
  "core-elsewhere": {
    severity: "note",
    what: "{core} of {device} sits on {found}; planned is {planned}, the same point of the board.",
    why: "It works as well there; only the wire list no longer says where it is.",
    remedy: "Keep it, and have the wire list say {found}.",
  },
  "core-on-mains": {
    severity: "danger",
    what: "{core} of {device} sits on {terminal}, a terminal of the mains side.",
    why: "Mains on a core made for extra-low voltage kills, and takes every device on it along.",
    remedy:
      "Do not power up. Prove dead, take it off, and check its insulation and every device on its cable.",
  },
  "earth-not-joined": {
    severity: "danger",
    what: "The protective earth of {device} sits on {found} and not on {planned}.",
    why: "A fault in it puts its housing under mains voltage, and no breaker trips.",
    remedy: "Do not power up. Prove dead, land it on {planned}, and have the earth measured.",
  },
  "supply-reversed": {
    severity: "danger",
    what: "{device} gets its supply the wrong way round: {volts} from + to −.",
    why: "Electronics without a guard diode are destroyed; those with one stay dead.",
    remedy: "Exchange the cores at + and − without power.",
  },
  "rail-shorted": {
    severity: "danger",
    what: "{rail} is short: its two poles meet through {through}.",
    why: "The supply folds back or its fuse opens, and everything on it is dead.",
    remedy: "Isolate and take the named cores off one by one until the meter shows no short.",
  },
} as const satisfies Record<string, FindingEntry>;
