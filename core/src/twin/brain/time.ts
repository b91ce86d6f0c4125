import type { Condition, LeafPlace } from "../../board/index.ts";
import { panelWaits } from "../../panel/index.ts";
import { holds, inForce } from "./ask.ts";
import { instant, say, type Brain, type Run, type Which } from "./brain.ts";
import { arrivedOnCommand, go } from "./command.ts";
import { keep, knowsTravel, learn } from "./memory.ts";
import { arrivedInPhase, looks, programSeconds, programWaited } from "./program.ts";
import { moveOn, placeOf, setOff, stop } from "./run.ts";

/** What it does without mains or with a low battery, once its time has come. */
function falls(brain: Brain): void {
  const { fall } = brain;
  if (!fall || fall.done) return;
  fall.done = true;
  const { does } = fall.row;
  const what = typeof does === "object" ? inForce(brain, does.by) : does;
  if (what === "opens" || what === "closes") {
    brain.pause = undefined;
    setOff(brain, what === "opens" ? "open" : "closed", "fall");
  } else if (what === "stays") stop(brain);
}

/** Memories that fill by themselves over full cycles. */
function cycled(brain: Brain): void {
  for (const { id, relearns } of brain.board.memories)
    if (relearns !== undefined && (brain.held[id] ?? 0) === 0) {
      const done = (brain.cycles[id] ?? 0) + 1;
      brain.cycles[id] = done;
      if (done >= relearns) {
        brain.cycles[id] = 0;
        learn(brain, id);
      }
    }
}

/** What comes of a run that is over. */
function arrived(brain: Brain, run: Run): void {
  if (run.because === "phase") return arrivedInPhase(brain);
  if (run.toward === "closed" && placeOf(brain) === "closed" && knowsTravel(brain)) {
    cycled(brain);
    for (const { id, holds: what } of brain.board.memories)
      if (what === "cycles") brain.held[id] = (brain.held[id] ?? 0) + 1;
  }
  if (run.because === "command") arrivedOnCommand(brain, run.toward);
}

/** The leaves come to their next place. */
function moves(brain: Brain): void {
  const { run } = brain;
  if (run && run.left <= instant && moveOn(brain, run)) arrived(brain, run);
}

/** It senses that a leaf has left an end. */
export function leavesEnd(brain: Brain, leaf: Which): void {
  brain.at[leaf] = "between";
  looks(brain);
}

/** It senses that a leaf has come to where it goes; a run whose leaves are all there is over. */
export function comesTo(brain: Brain, leaf: Which, place: LeafPlace): void {
  brain.at[leaf] = place;
  const { run } = brain;
  if (run?.leaves.includes(leaf) && place === run.to && !run.there.includes(leaf)) {
    run.there = [...run.there, leaf];
    if (run.there.length === run.leaves.length) {
      brain.run = undefined;
      say(brain, { kind: "stops", at: placeOf(brain) });
      arrived(brain, run);
    }
  }
  looks(brain);
}

/** Seconds until something happens by itself; Infinity where nothing does. */
export function nextSeconds(brain: Brain): number {
  if (!brain.power) return Infinity;
  return Math.min(
    brain.run?.left ?? Infinity,
    (brain.run ? undefined : programSeconds(brain)) ?? Infinity,
    brain.pause ?? Infinity,
    brain.storing ?? Infinity,
    brain.boot?.left ?? Infinity,
    brain.fall && !brain.fall.done ? brain.fall.left : Infinity,
  );
}

/** Lets time run, s: where its leaves truly move, theirs. */
export function waits(brain: Brain, seconds: number): void {
  if (brain.world) brain.world.runs(seconds);
  else counts(brain, seconds);
}

/** The board counts some seconds. */
export function counts(brain: Brain, seconds: number): void {
  for (let rest = seconds; ;) {
    const by = Math.min(rest, nextSeconds(brain));
    rest -= by;
    if (brain.run) {
      brain.run.left -= by;
      brain.run.since += by;
    }
    if (!brain.run && brain.running) brain.running.waited += by;
    if (brain.pause !== undefined) brain.pause -= by;
    if (brain.storing !== undefined) brain.storing -= by;
    if (brain.boot) brain.boot.left -= by;
    if (brain.fall && !brain.fall.done) brain.fall.left -= by;
    if (brain.power) due(brain);
    if (rest <= instant && nextSeconds(brain) > instant) break;
  }
  if (brain.pressing) return;
  brain.idle += seconds;
  const { state, events } = panelWaits(
    brain.board,
    brain.panel,
    brain.panel.path.length ? brain.idle : seconds,
  );
  brain.panel = state;
  for (const event of events) {
    say(brain, { kind: "panel", event });
    if (event.kind === "kept") keep(brain, state.kept);
  }
}

/** Screens of the power-up follow one another. */
function boots(brain: Brain): void {
  const { boot } = brain;
  if (!boot || boot.left > instant) return;
  const next = brain.board.boots[boot.screen + 1];
  if (next) brain.boot = { screen: boot.screen + 1, left: next.seconds };
  else brain.boot = undefined;
}

/** A pause that begins anew lasts so long at least, s. Assumed. */
const leastPause = 1;

/** Everything whose time has come. */
function due(brain: Brain): void {
  boots(brain);
  if (brain.storing !== undefined && brain.storing <= instant) brain.storing = undefined;
  moves(brain);
  if (!brain.run && (programSeconds(brain) ?? 1) <= instant) programWaited(brain);
  if (brain.pause !== undefined && brain.pause <= instant) {
    brain.pause = undefined;
    say(brain, { kind: "commanded", command: "close" });
    go(brain, "closed");
    // What holds it open has it wait anew.
    if (!brain.run && placeOf(brain) === "open") {
      arrivedOnCommand(brain, "open");
      if (brain.pause !== undefined) brain.pause = Math.max(brain.pause, leastPause);
    }
  }
  if (brain.fall && !brain.fall.done && brain.fall.left <= instant) falls(brain);
  looks(brain);
}

/** Most seconds that something is watched until it is done. */
const longestWatch = 1_200;

/** A board at which more happens than this while it is watched chatters, and comes to no rest. */
export const mostEvents = 2_000;

/** Lets time run until this holds, or nothing happens by itself any more; what only waits for someone counts as that. */
export function settles(brain: Brain, until?: Condition): void {
  let waited = 0;
  const most = brain.events.length + mostEvents;
  for (let by = nextWatched(brain); by < longestWatch && waited < longestWatch; by = nextWatched(brain)) {
    if (brain.events.length > most) return;
    if (until && holds(brain, until)) return;
    waits(brain, by);
    waited += by;
  }
}

/** How often someone looks who watches leaves that truly move, s. */
const lookSeconds = 0.1;

/** A window that only closes is not watched to its end. */
function nextWatched(brain: Brain): number {
  if (brain.world && brain.run) return lookSeconds;
  const waiting = !brain.run && brain.running?.queue[0]?.await !== undefined;
  const next = waiting && brain.pause === undefined && !brain.fall ? Infinity : nextSeconds(brain);
  return brain.world ? Math.max(next, lookSeconds) : next;
}
