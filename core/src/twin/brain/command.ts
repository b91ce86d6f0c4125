import {
  actWord,
  conditionHolds,
  reactionsOf,
  type ActWord,
  type BoardInput,
  type Command,
  type End,
  type Reaction,
  type ReactionMoment,
} from "../../board/index.ts";
import { askOf, holds, inForce, isOff, leavesOf } from "./ask.ts";
import { say, type Brain, type Which } from "./brain.ts";
import { codeFor, findsWrong } from "./failing.ts";
import { begin } from "./program.ts";
import { placeOf, setOff, stop } from "./run.ts";

const movingOf = (toward: End) => (toward === "open" ? "opening" : "closing");

/** The row of its reactions that counts just now; undefined for an input that does not react, is off, or is not tripped. */
function rowNow(brain: Brain, input: BoardInput): Reaction | undefined {
  if (!brain.tripped.has(input.id) || isOff(brain, input)) return undefined;
  const ask = askOf(brain);
  return reactionsOf(input).find(({ when }) => conditionHolds(when, ask));
}

/** What a tripped input does in a moment; undefined for one that is not there for that, or is off. */
function actOf(brain: Brain, input: BoardInput, moment: ReactionMoment): ActWord | undefined {
  const row = rowNow(brain, input);
  return row && actWord(row[moment]);
}

/** The protection that keeps the leaves from setting off toward an end; undefined where none does. */
function heldOff(brain: Brain, toward: End): BoardInput | undefined {
  const moment: ReactionMoment = toward === "open" ? "closed" : "open";
  return brain.board.inputs.find((input) => ["refuse", "hold"].includes(actOf(brain, input, moment) ?? ""));
}

/** Tests before a movement: each input whose test is switched on, or that is always tested; false where one does not open. */
function test(brain: Brain, toward: End): boolean {
  for (const input of brain.board.inputs) {
    const when = toward === "open" ? "opening" : "closing";
    const tested = input.test !== undefined && ["each", when].includes(input.testedBefore);
    if (!tested || isOff(brain, input)) continue;
    const switches = input.setBy.filter((id) => id.endsWith("-test"));
    if (!switches.every((id) => inForce(brain, id) === true)) continue;
    say(brain, { kind: "tests", input: input.id });
    if (brain.world?.opens(input.id) !== false) continue;
    say(brain, { kind: "held-off", input: input.id });
    findsWrong(brain, "test-failed");
    return false;
  }
  return true;
}

/** Sets leaves off on command, unless a protection holds them off. */
export function go(
  brain: Brain,
  toward: End,
  {
    leaves,
    to,
    because = "command",
  }: { leaves?: readonly Which[]; to?: "between"; because?: "command" | "held" } = {},
): void {
  const guard = heldOff(brain, toward);
  if (guard) {
    say(brain, { kind: "held-off", input: guard.id });
    return;
  }
  if (!test(brain, toward)) return;
  setOff(brain, toward, because, leaves, to);
}

/** Where a step takes the leaves: on from where they rest, back from where they were going. */
function stepToward(brain: Brain): End {
  const place = placeOf(brain);
  if (place === "closed") return "open";
  if (place === "open") return "closed";
  return brain.last === "open" ? "closed" : "open";
}

function step(brain: Brain): void {
  const logic = inForce(brain, "command-logic");
  const { run } = brain;
  if (!run) {
    go(brain, logic === "open-only" ? "open" : stepToward(brain));
    return;
  }
  if (logic === "open-only") return go(brain, "open");
  if (logic === "open-close") return go(brain, run.toward === "open" ? "closed" : "open");
  stop(brain);
}

/** A command the other way while the leaves are under way. */
function opposite(brain: Brain, toward: End): void {
  if (brain.run && brain.run.toward !== toward && inForce(brain, "opposite-command") === "stops") stop(brain);
  else if (brain.run?.toward !== toward) go(brain, toward);
}

/** A program that waits for someone at the board lets the leaves be moved meanwhile, as to an end that is to be taken. */
const waitsForSomeone = ({ running }: Brain): boolean => running?.queue[0]?.await?.by !== undefined;

/** Beeps that answer a command while the battery nears its end. Common practice of the trade, no published source. */
const warningBeeps = 3;

/** A command, whatever gives it: a program that begins with it, else the command logic in force. */
export function command(brain: Brain, what: Command): void {
  if (!brain.power || (brain.running && !waitsForSomeone(brain))) return;
  brain.world?.wakes();
  if (!leavesOf(brain).length) {
    say(brain, { kind: "commanded", command: what });
    return;
  }
  const program =
    !brain.running &&
    brain.board.programs.find(
      ({ on, when }) =>
        on.some(({ command: wanted }) => wanted === what || wanted === "any") && holds(brain, when),
    );
  if (program) return begin(brain, program);
  // Whoever commands decides: what waited to go on does not.
  brain.resumes = undefined;
  // What it found wrong is looked at anew; what it shows of its supply stands.
  if (brain.fault !== brain.fall?.row.code) brain.fault = undefined;
  say(brain, { kind: "commanded", command: what });
  if (brain.warns) say(brain, { kind: "beeps", times: warningBeeps, long: false });
  switch (what) {
    case "stop":
      brain.pause = undefined;
      return stop(brain);
    case "open":
      return opposite(brain, "open");
    case "close":
      return opposite(brain, "closed");
    case "pedestrian":
      return placeOf(brain) === "closed" ? go(brain, "open", { to: "between" }) : step(brain);
    case "step":
      return step(brain);
  }
}

/** Leaves that came to an end on command: where it closes by itself, the pause begins. */
export function arrivedOnCommand(brain: Brain, toward: End): void {
  if (toward !== "open" || inForce(brain, "automatic-closing") !== true) return;
  const seconds = inForce(brain, "automatic-closing-time") ?? inForce(brain, "first-pause");
  const pause = typeof seconds === "number" ? seconds : 0;
  brain.pause = brain.passed ? Math.min(pause, passageSeconds) : pause;
  brain.passed = false;
}

/** So long after someone has passed it closes, where it is set to. Assumed. */
const passageSeconds = 2;

/** What noticed someone in the way is clear: where it is set to close after passage, it waits no longer than that takes. */
function passes(brain: Brain, { takes }: BoardInput): void {
  const notices = takes.some((duty) => duty === "photocell" || duty === "interrupt-loop");
  if (!notices || inForce(brain, "close-after-passage") !== true) return;
  if (brain.run?.toward === "open") brain.passed = true;
  else if (brain.pause !== undefined) brain.pause = Math.min(brain.pause, passageSeconds);
}

/**
 * A leaf pushes against something that is no end of its travel. Closing it goes back, opening it stops; a key that is held
 * stops as well.
 */
export function obstructed(brain: Brain, leaf: Which): void {
  const { run } = brain;
  if (!run) return;
  const code = codeFor(brain, "obstructed", leaf);
  say(brain, { kind: "obstructed", leaf, ...(code === undefined ? {} : { code }) });
  if (code !== undefined) brain.fault = code;
  const { toward, because } = run;
  stop(brain);
  if (toward === "closed" && because !== "held") setOff(brain, "open", "command");
}

/** How far it backs off where no profile says it, m. Common practice of the trade for a high beam, no published source. */
const backOffM = 0.05;

/** True while a tripped input has the leaves go slowly the way they go. */
export const isSlowed = (brain: Brain, toward: End): boolean =>
  brain.board.inputs.some((input) => actOf(brain, input, movingOf(toward)) === "slow");

/** A protection trips while the leaves are under way. */
export function trips(brain: Brain, input: BoardInput): void {
  const { run, resumes } = brain;
  if (resumes && actOf(brain, input, movingOf(resumes.run.toward)) !== "ignore" && input.id !== resumes.input)
    brain.resumes = undefined;
  if (!run || brain.running) return;
  const row = rowNow(brain, input);
  const said = row?.[movingOf(run.toward)];
  const act = actOf(brain, input, movingOf(run.toward));
  if (act === undefined || act === "ignore" || act === "slow") return;
  const back: End = run.toward === "open" ? "closed" : "open";
  stop(brain);
  if (act === "reverse" || act === "stop-reverse") setOff(brain, back, "command");
  // A key that was let go meanwhile would not stop it.
  if (act === "stop-until-clear" && run.because !== "held") brain.resumes = { input: input.id, run };
  // How far a leaf goes back takes one that truly moves.
  if (act === "back-off" && brain.world && setOff(brain, back, "command"))
    brain.run!.mostM = typeof said === "object" && "retractMm" in said ? said.retractMm / 1_000 : backOffM;
}

/** A protection is clear again: what it stopped until then goes on. */
export function clears(brain: Brain, input: BoardInput): void {
  const { id } = input;
  passes(brain, input);
  const { resumes } = brain;
  if (resumes?.input !== id || brain.run) return;
  const { toward, leaves, to } = resumes.run;
  brain.resumes = undefined;
  go(brain, toward, { leaves, ...(to === "between" ? { to } : {}) });
}
