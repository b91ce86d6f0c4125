import type { Finding, FindingCode, Severity } from "./codes.ts";

/** A finding in three sentences: what is so, why it matters, what to do. */
export interface FindingWords {
  what: string;
  why: string;
  remedy: string;
}

/** Words of each code; `{name}` stands for a value of the finding. */
const table: Record<FindingCode, FindingWords> = {
  "force-off-for-learning": {
    what: "{dial} stands at {clock}: {behaviour} is {value}, and learning needs at least {least}.",
    why: "With the force at or near off the leaf never moves, and the board reports a failed run.",
    remedy: "Turn {dial} to {target} and commit it before the learning run.",
  },
  "protection-open": {
    what: "{input} ({terminal}) reads open.",
    why: "The board refuses to learn or to move while a protection input is open.",
    remedy: "Look for a missing link, a loose core or a blocked device on {terminal}.",
  },
  "link-beside-device": {
    what: "Link {link} is still in beside {device}.",
    why: "The link bridges the input, so {device} is wired and guards nothing.",
    remedy: "Take {link} out, then trip {device} and see {lamp} change.",
  },
  "link-missing": {
    what: "Link {link} is out and nothing is wired to {input}.",
    why: "An unused input of this kind must be bridged; open, it holds the gate.",
    remedy: "Put {link} in between {terminals}.",
  },
  "dial-below-threshold": {
    what: "{dial} stands at {clock}: this reads as {reads}, and {wanted} is wanted.",
    why: "The dial has two functions; below {threshold} it says {reads} and the leaf delay has no effect.",
    remedy: "Turn {dial} to {target}.",
  },
  "not-committed": {
    what: "{controls} moved without the commit gesture.",
    why: "The board goes on with the old setting until it is told to read the controls.",
    remedy: "{gesture}",
  },
  "ac-on-dc": {
    what: "{device} wants {wanted}; {rail} gives {given}.",
    why: "Alternating current on a direct current device overheats or destroys it.",
    remedy: "Put a converter between them that carries {milliamps}, or choose a device for {given}.",
  },
  "rail-overloaded": {
    what: "{rail} carries {load} against a limit of {limit}.",
    why: "The rail folds back or its fuse opens, and protection devices lose their supply.",
    remedy: "Move a load of at least {excess} to a supply of its own.",
  },
  "automatic-closing-unprotected": {
    what: "Automatic closing is wanted and nothing guards the closing movement.",
    why: "A gate that closes by itself with nobody watching must see what stands in its way.",
    remedy: "Add a photocell or an edge that acts while closing, or go without automatic closing.",
  },
  "open-contact-on-closed-input": {
    what: "{device} has a contact that rests open; {input} needs one that rests closed.",
    why: "The input would read tripped at rest, and a cut core could not be told from rest.",
    remedy: "Use the normally closed contact of {device}, or another device.",
  },
  "contacts-chained": {
    what: "{devices} share {input} in series.",
    why: "Which one tripped can no longer be told at the board.",
    remedy: "When {lamp} is dark, trip and clear them one by one to find the open one.",
  },
  "device-unplaced": {
    what: "{device}: no place for its {part}.",
    why: "{reason}",
    remedy: "Choose a board with such a terminal, a card that adds one, or another device.",
  },
  "terminal-crowded": {
    what: "{terminal} would hold {cores}; it takes {holds}.",
    why: "Cores crowded under one clamp work loose.",
    remedy: "Join them in a connector and run one core to {terminal}.",
  },
  "value-rounded": {
    what: "{behaviour}: {wanted} wanted, {given} given by {control} at {clock}.",
    why: "{reason}",
    remedy: "Time or measure it on site and trim when the difference matters.",
  },
  "value-out-of-reach": {
    what: "{behaviour}: {wanted} wanted, {control} goes from {least} to {most}.",
    why: "The board cannot do more with this control.",
    remedy: "Accept {given}, or choose a board with a longer range.",
  },
  "behaviours-fight": {
    what: "{control} sets {behaviours}, and no position gives them all as wanted.",
    why: "One control carries several behaviours; to have one is to lose the other.",
    remedy: "Decide which matters: {control} is planned at {clock}, which gives {given}.",
  },
  "behaviour-not-settable": {
    what: "{behaviour} cannot be set on this board.",
    why: "No control of the profile sets it.",
    remedy: "Check that the board does it by itself, or drop the wish.",
  },
  "fixed-otherwise": {
    what: "{behaviour}: {wanted} wanted, and this board has {given}.",
    why: "The board does it by itself; no control changes it.",
    remedy: "Accept {given}, or choose another board.",
  },
  "voltage-low": {
    what: "{device} gets {volts} of the {rail} through {cable}; it needs {least}.",
    why: "With everything working and the cores at {celsius} the run loses {lost}: the device drops out when it is needed.",
    remedy: "{remedy}",
  },
  "dial-not-live": {
    what: "{dial} does not count: {reason}.",
    why: "This dial lives only together with another setting; turned alone it changes nothing.",
    remedy: "Leave it, or set the other control first and turn it then.",
  },
  "leaf-without-drive": {
    what: "The {leaf} leaf has no drive.",
    why: "A leaf without a drive cannot be wired or learned.",
    remedy: "Add a drive for it under devices.",
  },
  "leaf-without-stops": {
    what: "The {leaf} leaf has no {stop} stop.",
    why: "This board finds the ends of travel by running onto fixed stops.",
    remedy: "Fit the stop before learning.",
  },
  "plan-not-proved": {
    what: "The search for the best wiring was cut short.",
    why: "So many devices compete for so few places that trying every way would take too long.",
    remedy: "The plan works as far as it goes; pin or remove devices to have the best one proved.",
  },
  "firmware-unknown": {
    what: "Firmware {found} was found; this profile holds for {known}.",
    why: "A procedure of another firmware can do something else.",
    remedy: "Treat every key gesture as not known for this board until it has been seen to work.",
  },
};

/** Ranks severities for sorting: the gravest first. */
export const severityRank: Record<Severity, number> = { danger: 0, fault: 1, caution: 2, note: 3 };

/** The sentences of a finding, its values filled in. */
export function wordsOf(finding: Finding): FindingWords {
  const words = table[finding.code];
  const fill = (text: string) =>
    text.replace(/\{(\w+)\}/g, (whole, name: string) => finding.values[name] ?? whole);
  return { what: fill(words.what), why: fill(words.why), remedy: fill(words.remedy) };
}
