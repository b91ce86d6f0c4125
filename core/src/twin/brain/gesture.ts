import {
  bothLeaves,
  type BoardInput,
  type Command,
  type ContactDuty,
  type Does,
  type End,
  type Gesture,
  type LeafPlace,
  conditionHolds,
} from "../../board/index.ts";
import { bestOf, mostPresses, panelAfter, singlesOf, waysIn, type PanelStep } from "../../panel/index.ts";
import { askOf, holds, inForce, isOff, leavesOf } from "./ask.ts";
import { say, type Brain, type Which, type World } from "./brain.ts";
import { clears, command, go, trips } from "./command.ts";
import { commit, keep } from "./memory.ts";
import { fails, power, returns } from "./supply.ts";
import { answered, begin, heard, looks } from "./program.ts";
import { halfTravelSeconds, placeOf, stop } from "./run.ts";
import { settles, waits } from "./time.ts";

/** A control is moved; where no gesture is owed the board reads it at once. */
function set(brain: Brain, control: string, to: string): void {
  const kind = brain.board.dials.some(({ id }) => id === control) ? "dials" : "switches";
  brain.positions = { ...brain.positions, [kind]: { ...brain.positions[kind], [control]: to } };
  if (!brain.board.commits.some((each) => each.for === kind))
    brain.inForce = { ...brain.inForce, [kind]: brain.positions[kind] };
}

/** Where controls stood before anyone moved one: a kind of them, or one alone. */
function notedOf(
  { noted }: Brain,
  what: Extract<Gesture, { putBack: unknown }>["putBack"],
): [string, string][] {
  if (typeof what !== "object") return Object.entries(noted[what]);
  const to = noted.switches[what.control] ?? noted.dials[what.control];
  return to === undefined ? [] : [[what.control, to]];
}

/** What came of a gesture in the menus. */
function take(brain: Brain, { state, events }: PanelStep): void {
  brain.panel = state;
  for (const event of events) {
    if (event.kind !== "started" && event.kind !== "outside") say(brain, { kind: "panel", event });
    if (event.kind === "kept") keep(brain, state.kept);
    if (event.kind !== "started") continue;
    const program = brain.board.programs.find(({ id }) => id === event.program);
    if (program) begin(brain, program);
    // The list that was saved stays open.
    if (program && !brain.running && state.path.length) brain.panel = state;
  }
}

const secondsHeld = (made: Gesture): number =>
  "hold" in made
    ? made.hold.seconds
    : "together" in made
      ? made.together.seconds
      : "trip" in made
        ? (made.trip.seconds ?? 0)
        : 0;

/** Seconds that pass while a gesture is made; where time passes by itself they have passed already. */
const passing = (brain: Brain, made: Gesture): number => (brain.live ? 0 : secondsHeld(made));

/** What a gesture outside of the menus begins: a program, a commit, or a menu; undefined where nothing. */
function meaningOf(brain: Brain, made: Gesture): (() => void) | undefined {
  const ask = askOf(brain);
  const triggers = brain.board.programs
    .filter(({ when }) => conditionHolds(when, ask))
    .flatMap((program) => program.on.map((trigger) => ({ ...trigger, does: () => begin(brain, program) })));
  // What was done before belongs to a way in; while the key is held it would be forgotten.
  const opened = panelAfter(brain.board, ask, brain.panel, made);
  return bestOf<() => void>(made, [
    ...triggers.map(({ by, does }) => ({ by, value: does })),
    ...brain.board.commits.map(({ by, for: which }) => ({ by, value: () => commit(brain, which) })),
    ...waysIn(brain.board, ask, brain.panel, made).map(({ by }) => ({
      by,
      value: () => take(brain, opened),
    })),
  ]);
}

/** The row by which a key, or an input, does something just now. */
const rowOf = (brain: Brain, rows: readonly Does[]): Does | undefined =>
  rows.find(({ when }) => holds(brain, when));

const chosen = (brain: Brain, { leaves = "both" }: Does): readonly Which[] =>
  leavesOf(brain).filter((leaf) => leaves === "both" || leaves === leaf);

/** Which way a held key takes the leaves. */
function towardOf(brain: Brain, { command: what }: Does): End {
  if (what === "close") return "closed";
  if (what !== "step") return "open";
  const place = placeOf(brain);
  return place === "closed" || (place === "between" && brain.last === "closed") ? "open" : "closed";
}

/** Longer than any leaf takes from end to end, s. */
const longestTravel = 90;

/** A key outside of the menus that begins nothing: it moves the leaves, or nothing comes of it. */
function keyDoes(brain: Brain, made: Gesture): boolean {
  const key =
    "press" in made ? made.press.key : "hold" in made ? made.hold.key : "turn" in made ? made.turn.key : "";
  const row = rowOf(brain, brain.board.keys.find(({ id }) => id === key)?.does ?? []);
  if (!row) return false;
  const seconds = "turn" in made ? made.turn.clicks / 2 : passing(brain, made);
  if (row.while === "pressed") {
    command(brain, row.command);
    waits(brain, seconds);
    return true;
  }
  if ((row.while === "turned") !== "turn" in made || seconds === 0) return row.while === "held";
  const toward = "turn" in made && made.turn.to === "left" ? "closed" : towardOf(brain, row);
  go(brain, toward, { leaves: chosen(brain, row), because: "held" });
  waits(brain, seconds);
  // So long a hold is meant to take them all the way, however long that is.
  if (brain.world && seconds >= 2 * halfTravelSeconds)
    for (let held = seconds; held < longestTravel && brain.run?.because === "held"; held += 0.1)
      waits(brain, 0.1);
  if (brain.run?.because === "held") stop(brain);
  return true;
}

/** Time passes while a key is held: no key is idle then. */
function passesHeld(brain: Brain, made: Gesture): void {
  const was = brain.pressing;
  brain.pressing = true;
  waits(brain, passing(brain, made));
  brain.pressing = was;
}

/** Keys: what a program waits for, then the menus, then what begins outside of them, then what a key does by itself. */
function takesKey(brain: Brain, made: Gesture): boolean {
  // Without power, and while it stores, a key is lost.
  if (!brain.power || brain.storing !== undefined) return true;
  if (answered(brain, made)) {
    passesHeld(brain, made);
    return true;
  }
  if (brain.running) return keyDoes(brain, made);
  if (brain.panel.path.length) {
    passesHeld(brain, made);
    take(brain, panelAfter(brain.board, askOf(brain), brain.panel, made));
    return true;
  }
  const meaning = meaningOf(brain, made);
  if (meaning) {
    passesHeld(brain, made);
    meaning();
    return true;
  }
  const done = keyDoes(brain, made);
  if (brain.board.panel) brain.panel = panelAfter(brain.board, askOf(brain), brain.panel, made).state;
  return done;
}

/** A key is touched: what comes of it, and true unless it means nothing. */
function keyed(brain: Brain, made: Gesture): boolean {
  const taken = takesKey(brain, made);
  brain.idle = 0;
  return taken;
}

/** How many presses of a key in a row may mean something just now: 1 where no more are waited for. */
export function pressesInRow(brain: Brain, key: string): number {
  const { board, panel, running } = brain;
  const inMenus = panel.path.length > 0;
  const wanted = running || inMenus ? [] : [...board.programs.flatMap(({ on }) => on), ...board.commits];
  const times = wanted.flatMap(({ by }) =>
    by && "press" in by && by.press.key === key ? [by.press.times] : [],
  );
  return Math.max(mostPresses(board, panel, key), ...times);
}

/** After how many seconds a hold of a key acts, whether it goes on or not; undefined where it acts when it is let go. */
export function actsAfter(brain: Brain, key: string): number | undefined {
  if (!brain.power || brain.running || brain.panel.path.length) return undefined;
  const thresholds = brain.board.programs
    .filter(({ when }) => holds(brain, when))
    .flatMap(({ on }) => on.filter(({ acts }) => acts === "at"))
    .flatMap(({ by }) => (by && "hold" in by && by.hold.key === key ? [by.hold.seconds] : []));
  return thresholds.length ? Math.min(...thresholds) : undefined;
}

/** Longer than any hold that means something, s. */
const longestHold = 120;

/**
 * A key goes down: it is not idle until `keyUp`. One that moves the leaves for as long as it is held, and holds for nothing
 * else, sets them off; then it is true.
 */
export function keyDown(brain: Brain, key: string): boolean {
  brain.pressing = true;
  const row = rowOf(brain, brain.board.keys.find(({ id }) => id === key)?.does ?? []);
  const made: Gesture = { hold: { key, seconds: longestHold } };
  if (!brain.power || row?.while !== "held" || brain.panel.path.length || meaningOf(brain, made))
    return false;
  go(brain, towardOf(brain, row), { leaves: chosen(brain, row), because: "held" });
  return brain.run?.because === "held";
}

export function keyUp(brain: Brain): void {
  brain.pressing = false;
  brain.idle = 0;
  if (brain.run?.because === "held") stop(brain);
}

/** What an input commands by what it is used for, where its profile gives it no row. */
const commandsOf: Partial<Record<ContactDuty, Command>> = {
  step: "step",
  pedestrian: "pedestrian",
  "open-only": "open",
  "close-only": "close",
  exit: "open",
  "exit-loop": "open",
  "activation-inside": "open",
  "activation-outside": "open",
};

/** What an input commands just now; undefined for one that guards, or commands nothing. */
function commandBy(brain: Brain, input: BoardInput): Command | undefined {
  if (input.does.length) return rowOf(brain, input.does)?.command;
  if (input.guards.length || isOff(brain, input)) return undefined;
  const { chosenBy } = input;
  const chosen = chosenBy?.rows.find(({ is }) => is === inForce(brain, chosenBy.behaviour))?.takes;
  const [duty] = chosen ?? input.takes;
  return duty && commandsOf[duty];
}

/** An input begins to read otherwise than at rest, or is at rest again. */
export function setTripped(brain: Brain, id: string, tripped: boolean): void {
  const input = brain.board.inputs.find((each) => each.id === id);
  if (!input || brain.tripped.has(id) === tripped) return;
  brain.tripped[tripped ? "add" : "delete"](id);
  brain.trips += 1;
  if (tripped) trips(brain, input);
  else clears(brain, input);
  const wanted = tripped ? commandBy(brain, input) : undefined;
  if (wanted) command(brain, wanted);
  looks(brain);
}

/** An input is worked by hand, or let go, whatever hangs on it. */
export function works(brain: Brain, id: string, worked: boolean): void {
  if (brain.world) brain.world.works(id, worked);
  else setTripped(brain, id, worked);
}

/** An input is worked by hand for a while. */
function trip(brain: Brain, made: Extract<Gesture, { trip: unknown }>): void {
  const input = brain.board.inputs.find(({ id }) => id === made.trip.input);
  if (!input) return;
  works(brain, input.id, true);
  const meaning = brain.power && !answered(brain, made) ? meaningOf(brain, made) : undefined;
  waits(brain, passing(brain, made));
  meaning?.();
  works(brain, input.id, false);
}

const places: Record<string, LeafPlace> = { closed: "closed", open: "open", "on-limit": "closed" };

/**
 * A key is used until the leaves truly are there: held where it moves them for as long as that, else pressed. One that
 * goes the other way first is let go and used again.
 */
function bring(brain: Brain, world: World, key: string, to: LeafPlace): void {
  const halfWay = () => to === "between" && world.isAt(to);
  for (let tries = 0; tries < 4 && !world.isAt(to); tries += 1) {
    if (!keyDown(brain, key)) keyed(brain, { press: { key, times: 1 } });
    for (let held = 0; held < longestTravel && brain.run && !halfWay(); held += 0.1) world.runs(0.1);
    keyUp(brain);
  }
}

/** Leaves are brought somewhere: by hand where they stand then, or with a key held until they are there. */
function place(brain: Brain, { at, by, key, leaves }: Extract<Gesture, { place: unknown }>["place"]): void {
  if (at === undefined) return;
  const to = places[at] ?? "between";
  if (by !== "held-key" || key === undefined) {
    // A leaf that the board takes to be there and that is not goes along in its books.
    const there = Math.max(brain.leaves, leavesOf(brain).length);
    for (const leaf of bothLeaves.slice(0, there))
      if (leaves === undefined || leaf === (leaves === 1 ? "first" : "second")) {
        brain.at[leaf] = to;
        brain.world?.puts(leaf, to);
      }
    return;
  }
  if (brain.world) return bring(brain, brain.world, key, to);
  const seconds = to === "between" ? halfTravelSeconds : 2 * halfTravelSeconds;
  // A key that goes the other way first is let go and held again.
  for (let tries = 0; tries < 4 && placeOf(brain) !== to; tries += 1)
    keyed(brain, { hold: { key, seconds } });
}

/** A transmitter sends: a program that listens takes it; a known one commands. */
function remote(brain: Brain, { sends, times }: Extract<Gesture, { remote: unknown }>["remote"]): void {
  // The radio of a board that sleeps hears nothing, unless it is what wakes the others.
  if (brain.world?.sleeps() && !brain.board.outputs.some(({ kind }) => kind === "wake")) return;
  if (!brain.power || sends === undefined || heard(brain, sends, times)) return;
  const memory = brain.board.memories.find(
    ({ id, holds: what }) => what === "remotes" && (brain.held[id] ?? 0) > 0,
  );
  if (memory) command(brain, "step");
}

/** A whole cycle by whatever commands: open, then closed where it does not close by itself. */
function fullCycle(brain: Brain): void {
  command(brain, "open");
  settles(brain);
  if (placeOf(brain) !== "open") return;
  command(brain, "close");
  settles(brain);
}

/** What a gesture makes of the board. `choose` is no single gesture: its way through the menus is made by keys. */
export function brainDoes(brain: Brain, made: Gesture): void {
  if ("power" in made) power(brain, made.power === "on");
  else if ("wait" in made) waits(brain, made.wait);
  else if ("watch" in made) settles(brain, made.watch.until);
  else if ("fails" in made) fails(brain, made.fails);
  else if ("returns" in made) returns(brain, made.returns);
  else if ("set" in made) set(brain, made.set.control, made.set.to);
  else if ("putBack" in made) for (const [id, to] of notedOf(brain, made.putBack)) set(brain, id, to);
  else if ("place" in made) place(brain, made.place);
  else if ("remote" in made) remote(brain, made.remote);
  else if ("trip" in made) trip(brain, made);
  else if ("command" in made)
    if (made.command === "full cycle") fullCycle(brain);
    else command(brain, made.command);
  else if (!("choose" in made) && !keyed(brain, made)) {
    // Presses that mean nothing together are so many single ones; clicks of a knob may be the beginning of a way in.
    const singles = "press" in made ? singlesOf(made) : [];
    if (singles.length > 1) for (const each of singles) keyed(brain, each);
  }
  looks(brain);
}
