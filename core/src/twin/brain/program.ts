import { type End, type Gesture, type Phase, type Program } from "../../board/index.ts";
import { bestOf, panelAtRest } from "../../panel/index.ts";
import { holds, inForce, leavesOf } from "./ask.ts";
import { instant, say, setMode, type Brain, type Running, type Which } from "./brain.ts";
import { add, commit, drop, forget, learn, restore } from "./memory.ts";
import { setOff, stop } from "./run.ts";

/** Phases one after the other, cycles as often as they are done. */
const unrolled = (phases: readonly Phase[]): Phase[] =>
  phases.flatMap((phase) =>
    phase.phases ? Array.from({ length: phase.cycle ?? 1 }, () => unrolled(phase.phases!)).flat() : [phase],
  );

const leavesIn = (brain: Brain, { leaves = "both" }: Phase): readonly Which[] =>
  leavesOf(brain).filter((leaf) => leaves === "both" || leaves === leaf);

/** Seconds a phase waits at most; undefined where it waits for ever. */
function secondsOf(brain: Brain, { seconds }: Phase): number | undefined {
  if (typeof seconds !== "object") return seconds;
  const value = inForce(brain, seconds.by);
  return typeof value === "number" ? value : undefined;
}

/** Begins a program, or refuses it and shows why. */
export function begin(brain: Brain, program: Program): void {
  const refusal = program.refuses.find(({ when }) => holds(brain, when));
  if (refusal) {
    if (refusal.code !== undefined) brain.fault = refusal.code;
    const { code, when: why } = refusal;
    say(brain, { kind: "refused", program: program.id, why, ...(code === undefined ? {} : { code }) });
    return;
  }
  stop(brain);
  brain.pause = undefined;
  brain.resumes = undefined;
  brain.fault = undefined;
  const { kept } = brain.panel;
  brain.panel = panelAtRest(brain.board, kept);
  brain.running = {
    program,
    queue: unrolled(program.phases),
    waited: 0,
    counted: 0,
    agreed: false,
    asked: 0,
    ends: { first: {}, second: {} },
  };
  say(brain, { kind: "began", program: program.id });
  proceed(brain);
}

/** Breaks a program off: what moves stops, nothing more is learned. */
export function abort(brain: Brain, code?: string): void {
  const { running } = brain;
  if (!running) return;
  brain.running = undefined;
  brain.shown = undefined;
  stop(brain);
  setMode(brain, "idle");
  if (code !== undefined) brain.fault = code;
  say(brain, { kind: "aborted", program: running.program.id, ...(code === undefined ? {} : { code }) });
}

/** How often a question is asked that nobody says yes to. */
const mostAsked = 2;

/** A program looks at what has changed: a reason to be broken off, or what its phase waits for. */
export function looks(brain: Brain): void {
  const row = brain.running?.program.aborts.find(({ when }) => when !== undefined && holds(brain, when));
  if (row) abort(brain, row.code);
  else if (brain.running?.queue[0]?.await?.when) proceed(brain);
}

/** A program takes the place where a leaf stands for an end of its travel. */
function takesEnd(brain: Brain, running: Running, leaf: Which, end: End): void {
  running.ends[leaf][end] = brain.at[leaf];
  brain.world?.marks(leaf, end);
}

/** Whether it is done with a phase; one that waits is not. */
function perform(brain: Brain, running: Running, phase: Phase): boolean {
  const which = leavesIn(brain, phase);
  if (phase.mode !== undefined) setMode(brain, phase.mode);
  if (phase.mark !== undefined) for (const leaf of which) takesEnd(brain, running, leaf, phase.mark);
  if (phase.run !== undefined) {
    if (brain.run?.because === "phase" || setOff(brain, phase.run, "phase", which)) return false;
    for (const leaf of which) takesEnd(brain, running, leaf, phase.run);
  }
  if (phase.asks) return asked(brain, running, phase.asks, which);
  if (phase.await) {
    const { by, heard, when, times } = phase.await;
    const done = (by ?? heard) === undefined || running.counted >= times;
    return done && (when === undefined || holds(brain, when));
  }
  learn(brain, phase.learn, running);
  forget(brain, phase.forget);
  if (phase.add !== undefined) add(brain, phase.add);
  if (phase.drop !== undefined) drop(brain, phase.drop);
  const read = brain.board.commits.find(({ id }) => id === phase.commit);
  if (read) commit(brain, read.for);
  if (phase.restores) restore(brain, phase.restores);
  if (phase.shows !== undefined && brain.shown === undefined) {
    brain.shown = phase.shows.replace("{slot}", String(brain.held[brain.filled ?? ""] ?? 0));
    say(brain, { kind: "shows", text: phase.shows });
  }
  if (phase.beeps !== undefined) say(brain, { kind: "beeps", times: phase.beeps, long: phase.long ?? false });
  const seconds = secondsOf(brain, phase);
  return seconds === undefined || running.waited >= seconds - instant;
}

/** A question: the leaves move, and someone says whether they go the right way. */
function asked(
  brain: Brain,
  running: Running,
  asks: NonNullable<Phase["asks"]>,
  which: readonly Which[],
): boolean {
  if (!which.length) return true;
  if (brain.run?.because === "phase") return false;
  const there = which.every((leaf) => brain.at[leaf] === asks.toward);
  if (!there) {
    setOff(brain, asks.toward, "phase", which);
    return false;
  }
  if (asks.yes === undefined || running.agreed) {
    for (const leaf of which) takesEnd(brain, running, leaf, asks.toward);
    return true;
  }
  saysNo(brain, running, asks, which);
  return false;
}

/**
 * Someone said no, or let the question pass: the board turns the drive about and asks again, asks again, or gives up for
 * the leads to be exchanged. Without a world nothing can go the wrong way: it gives up.
 */
function saysNo(
  brain: Brain,
  running: Running,
  { onNo, toward }: NonNullable<Phase["asks"]>,
  which: readonly Which[],
): void {
  if (!brain.world || onNo === "swap-leads" || running.asked >= mostAsked) return abort(brain);
  running.asked += 1;
  for (const leaf of which) {
    if (onNo === "invert") brain.inverted[brain.inverted.has(leaf) ? "delete" : "add"](leaf);
    // Where it truly is nobody has told the board yet.
    brain.at[leaf] = "between";
  }
  stop(brain);
  setOff(brain, toward, "phase", which);
}

/** Does phase after phase until one waits or the program ends. */
function proceed(brain: Brain): void {
  for (let running = brain.running; running; running = brain.running) {
    const [phase] = running.queue;
    if (!phase) {
      brain.running = undefined;
      say(brain, { kind: "ended", program: running.program.id });
      return;
    }
    const passed = phase.when !== undefined && !holds(brain, phase.when);
    if (!passed && !perform(brain, running, phase)) return;
    if (brain.running !== running) return;
    brain.shown = undefined;
    Object.assign(running, { queue: running.queue.slice(1), waited: 0, counted: 0, agreed: false, asked: 0 });
  }
}

/** The leaves a phase moved have come to their end. */
export function arrivedInPhase(brain: Brain): void {
  const { running } = brain;
  const [phase] = running?.queue ?? [];
  if (!running || !phase) return;
  const end = phase.run ?? phase.asks?.toward;
  if (end === undefined) return;
  if (phase.run !== undefined) {
    for (const leaf of leavesIn(brain, phase)) takesEnd(brain, running, leaf, end);
    Object.assign(running, { queue: running.queue.slice(1), waited: 0, counted: 0, agreed: false, asked: 0 });
  }
  proceed(brain);
}

/** Whether a gesture is what the program waits for, an answer to its question, or what breaks it off. */
export function answered(brain: Brain, made: Gesture): boolean {
  const { running } = brain;
  const [phase] = running?.queue ?? [];
  if (!running || !phase) return false;
  const meaning = bestOf<"awaited" | "yes" | "no" | { code?: string | undefined }>(made, [
    { by: phase.await?.by, value: "awaited" },
    { by: phase.asks?.yes, value: "yes" },
    { by: phase.asks?.no, value: "no" },
    ...running.program.aborts.map((row) => ({ by: row.by, value: row })),
  ]);
  if (meaning === undefined) return false;
  if (meaning === "awaited") running.counted += 1;
  else if (meaning === "yes") running.agreed = true;
  else if (meaning === "no" && phase.asks) saysNo(brain, running, phase.asks, leavesIn(brain, phase));
  else abort(brain, meaning === "no" ? undefined : meaning.code);
  proceed(brain);
  return true;
}

/** A transmitter is heard; true where the program waits for that. */
export function heard(brain: Brain, sends: string, times: number): boolean {
  const { running } = brain;
  const wanted = running?.queue[0]?.await?.heard;
  if (!running || wanted !== sends) return false;
  running.counted += times;
  proceed(brain);
  return true;
}

/** Seconds until a program goes on by itself or gives up; undefined where it does neither. */
export function programSeconds(brain: Brain): number | undefined {
  const { running } = brain;
  const [phase] = running?.queue ?? [];
  const seconds = running && phase && secondsOf(brain, phase);
  return seconds === undefined ? undefined : Math.max(0, seconds - running!.waited);
}

/** What comes of the time a program waited: its wait is over, or its window has closed. */
export function programWaited(brain: Brain): void {
  const { running } = brain;
  const [phase] = running?.queue ?? [];
  if (!running || !phase) return;
  const seconds = secondsOf(brain, phase);
  if (phase.await && seconds !== undefined && running.waited >= seconds - instant) abort(brain);
  else proceed(brain);
}
