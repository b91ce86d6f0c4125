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
    what: "{rail} carries {load} {when}, against a limit of {limit}.",
    why: "The rail folds back or its fuse opens, and protection devices lose their supply.",
    remedy: "Move a load of at least {excess} to a supply of its own.",
  },
  "rail-inrush": {
    what: "{rail} carries {load} for a moment as {device} is switched on, against a limit of {limit}.",
    why: "A supply that folds back lets go of everything on it, and a relay may drop out in the middle of a movement.",
    remedy: "Feed {device} from a supply of its own, or choose one without such a surge.",
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
    why: "Which one tripped can no longer be told at the board{lost}.",
    remedy: "When {lamp} is dark, trip and clear them one by one to find the open one. {room}",
  },
  "device-unplaced": {
    what: "{device}: no place for its {part}.",
    why: "{reason}",
    remedy: "{remedy}",
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
  "source-reversed": {
    what: "{device}: its + sits on {minus} and its − on {plus}.",
    why: "A panel the wrong way round never charges, and a battery or panel reversed can destroy the charger.",
    remedy: "Cover the panel or unplug the battery, prove no voltage, and exchange the two cores.",
  },
  "alignment-jumper-on": {
    what: "{device}: jumper {jumper} is on, and it is for {only} only.",
    why: "While it is left on, {otherwise}.",
    remedy: "Take {jumper} off now that the device is aligned, and note it as off.",
  },
  "plugged-while-live": {
    what: "{device} was landed while the system had power.",
    why: "A coil or a battery joined under power strikes an arc and can take the output with it.",
    remedy: "Isolate, part it and land it again without power; then test the output it hangs on.",
  },
  "converter-too-small": {
    what: "{converter} carries {load} {when}, and it is made for {limit}.",
    why: "It folds back or burns out, and a lock on it lets go.",
    remedy: "Use a converter for {load} or more.",
  },
  "converter-asks-too-much": {
    what: "{converter} asks {load} of {rail} to make {output}; the terminal gives {limit}.",
    why: "A rectifier with its capacitor draws more amps of a.c. than it gives of d.c.: power and form factor count, not amps for amps.",
    remedy: "Feed the converter from a supply of its own, or use a lock that takes less.",
  },
  "voltage-over": {
    what: "{device} gets {volts}; it bears {most}.",
    why: "{reason}",
    remedy: "{remedy}",
  },
  "radio-card-missing": {
    what: "{device} talks by radio, and no card that hears it is fitted.",
    why: "Learning it will seem to work by its own lamp and nothing will be stored in the board.",
    remedy: "{remedy}",
  },
  "rail-sleeps": {
    what: "{device} must always live and hangs on {rail}, which lives only while {live}.",
    why: "At rest it has no supply and answers nothing; a lock on it lets go.",
    remedy: "Feed it from a rail that is always on, or from a supply of its own.",
  },
  "rail-never-sleeps": {
    what: "{device} should live only while it is needed, and {rail} is always on.",
    why: "Its own battery, or the board's, is emptied by it.",
    remedy: "Feed it from a switched rail, or choose a device that may live always.",
  },
  "clearance-short": {
    what: "{device} has {has} of free space beside it; it needs {needs}.",
    why: "What moves past it will strike it, or catch a hand between the two.",
    remedy: "Move the housing, or choose a flatter one, before anything is powered.",
  },
  "drive-on-wrong-output": {
    what: "{device} sits on {found}; this board wants it on {wanted}.",
    why: "The board drives its outputs in an order and with limits of their own: on the other one the only motor does not run, or runs as a second leaf.",
    remedy: "Move its cores to {wanted} without power.",
  },
  "test-without-wire": {
    what: "{input} is set to be tested, and {device} is not wired for it: {reason}.",
    why: "The board switches the sender off, sees no contact open, and refuses to move.",
    remedy: "Feed {device} from {rail} or set the test off; the first guards better.",
  },
  "wired-but-not-tested": {
    what: "{device} hangs on {rail} so that it can be tested, and the test on {input} is off.",
    why: "A contact that sticks is found only by a test.",
    remedy: "Set the test on.",
  },
  "source-of-another-voltage": {
    what: "{device} gives {given}; {terminals} are for {wanted}.",
    why: "Too much destroys the board or boils the battery; too little never charges and is taken for a fault.",
    remedy: "Use one for {wanted}, or set the board for {given} where it can be set, before it is connected.",
  },
  "plugs-swapped": {
    what: "The plugs {one} and {other} are of one shape and sit in each other's place.",
    why: "Every core of both is on a wrong terminal, supply and signal mixed.",
    remedy: "Isolate, exchange the two plugs and mark them.",
  },
  "battery-left-connected": {
    what: "{device} is connected while the board is isolated.",
    why: "A battery keeps board and drive alive: the leaf can move with hands in it.",
    remedy: "Unplug the battery, and prove dead again.",
  },
  "core-misplaced": {
    what: "{core} of {device} sits on {found}; planned is {planned}.",
    why: "{effect}",
    remedy: "Move it to {planned}, or keep it and have the plan made around it.",
  },
  "core-elsewhere": {
    what: "{core} of {device} sits on {found}; planned is {planned}, the same point of the board.",
    why: "It works as well there; only the wire list no longer says where it is.",
    remedy: "Keep it, and have the wire list say {found}.",
  },
  "core-on-mains": {
    what: "{core} of {device} sits on {terminal}, a terminal of the mains side.",
    why: "Mains on a core made for extra-low voltage kills, and takes every device on it along.",
    remedy:
      "Do not power up. Prove dead, take it off, and check its insulation and every device on its cable.",
  },
  "supply-reversed": {
    what: "{device} gets its supply the wrong way round: {volts} from + to −.",
    why: "Electronics without a guard diode are destroyed; those with one stay dead.",
    remedy: "Exchange the cores at + and − without power.",
  },
  "rail-shorted": {
    what: "{rail} is short: its two poles meet through {through}.",
    why: "The supply folds back or its fuse opens, and everything on it is dead.",
    remedy: "Isolate and take the named cores off one by one until the meter shows no short.",
  },
  "mains-beside-low": {
    what: "{cable} would carry mains beside extra-low voltage: {high}.",
    why: "One nick in the insulation puts mains on every contact and device of the cable.",
    remedy:
      "Run the mains cores in a cable, gland and conduit of their own; local code decides what else will do.",
  },
  "pin-impossible": {
    what: "{pin} of {device} was wanted on {terminal}: {reason}.",
    why: "What is wanted is kept only where the terminal can take it.",
    remedy: "{instead} Take the wish back, or want it elsewhere.",
  },
  "converters-in-a-ring": {
    what: "{devices} could only feed one another, round in a ring.",
    why: "None of them ever gets anything from outside.",
    remedy: "Feed the first of them from a terminal of the board, or use another converter.",
  },
  "circuit-unsolved": {
    what: "The circuit finds no steady state at {parts}.",
    why: "Parts that answer one another swing, or hang on nothing: what a meter shows there cannot be told.",
    remedy: "Look at how these are wired; readings around them are not to be trusted.",
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
