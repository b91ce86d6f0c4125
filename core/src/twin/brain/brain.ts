import {
  deliveredCards,
  fitBoard,
  type bothLeaves,
  type BatteryState,
  type BoardProfile,
  type Command,
  type Condition,
  type End,
  type Failing,
  type Fall,
  type Fitting,
  type LeafPlace,
  type Phase,
  type Program,
} from "../../board/index.ts";
import { foundPositions, type Positions } from "../../controls/index.ts";
import { panelAtRest, type PanelEvent, type PanelState } from "../../panel/index.ts";

/** Two seconds nearer than this are one moment, s. */
export const instant = 1e-9;

/** Which of two leaves: the first opens first. */
export type Which = (typeof bothLeaves)[number];

/** Leaves under way, and why. */
export interface Run {
  toward: End;
  /** Where they stop by themselves: an end, or between the ends on a pedestrian opening. */
  to: LeafPlace;
  leaves: readonly Which[];
  /** A program's phase, a command, a key that is held, or what a board does without mains. */
  because: "phase" | "command" | "held" | "fall";
  /** Seconds until the next place; without end where the leaves are sensed. */
  left: number;
  /** Seconds it has been under way. */
  since: number;
  /** Leaves that have come to where they go, as far as the board senses them. */
  there: readonly Which[];
  /** It is over once the edges have gone so far, m: backing off from what they met. */
  mostM?: number;
}

/** A program under way: the phases that are still to do, and what it knows of the ends so far. */
export interface Running {
  program: Program;
  queue: readonly Phase[];
  /** Seconds it has waited in its phase. */
  waited: number;
  /** What was heard or done so far of what its phase waits for. */
  counted: number;
  /** True once its question was answered with yes. */
  agreed: boolean;
  /** How often its question was asked again. */
  asked: number;
  /** Where each leaf stood when an end was found or taken. */
  ends: Record<Which, Partial<Record<End, LeafPlace>>>;
}

/** What happens at a board, in the order in which it happens. */
export type BrainEvent =
  | { kind: "mode"; mode: string }
  | { kind: "began" | "ended"; program: string }
  | { kind: "refused"; program: string; why: Condition; code?: string }
  | { kind: "aborted"; program: string; code?: string }
  /** A command that a tripped protection refuses. */
  | { kind: "held-off"; input: string }
  | { kind: "moves"; toward: End; leaves: readonly Which[] }
  | { kind: "stops"; at: LeafPlace }
  /** A leaf pushes against something that is no end of its travel. */
  | { kind: "obstructed"; leaf: Which; code?: string }
  /** What it finds wrong by itself. */
  | { kind: "fails"; what: Failing; leaf?: Which; code?: string }
  | { kind: "learned" | "forgot" | "added" | "dropped"; memory: string }
  | { kind: "committed"; which: keyof Positions }
  | { kind: "restored"; what: "values" | "everything" }
  | { kind: "beeps"; times: number; long: boolean }
  | { kind: "shows"; text: string }
  | { kind: "tests"; input: string }
  | { kind: "commanded"; command: Command }
  | { kind: "power"; on: boolean }
  /** In the menus: one opened, a value kept or given up, the way out. */
  | { kind: "panel"; event: PanelEvent };

/**
 * A board that runs: its programs, panel, command logic and timers, without what it moves. A leaf is simply closed,
 * between its ends or open. It is changed in place.
 */
export interface Brain {
  /** As it is fitted to its site. */
  readonly board: BoardProfile;
  readonly cards: readonly string[];
  readonly leaves: number;
  /** Time passes by itself: a hold takes none of its own. */
  live: boolean;
  power: boolean;
  mains: boolean;
  battery: BatteryState;
  /** Its battery nears what it acts at: a command is answered with beeps, and carried out. */
  warns: boolean;
  mode: string;
  /** How many things each memory holds. */
  held: Record<string, number>;
  /** Memories whose content is damaged: stored for good, whatever happens to the power. */
  damaged: Set<string>;
  /** Leaves whose drive the board runs the other way round, as someone answered it. */
  inverted: Set<Which>;
  positions: Positions;
  inForce: Positions;
  /** Where the controls were before anyone moved one: they are put back to that. */
  noted: Positions;
  panel: PanelState;
  at: Record<Which, LeafPlace>;
  /** Full cycles since a memory was emptied that fills by itself. */
  cycles: Record<string, number>;
  /** Which way the leaves went last. */
  last: End;
  /** Inputs that read otherwise than at rest, and how often one changed. */
  tripped: Set<string>;
  trips: number;
  /** A run that goes on once this input is clear again. */
  resumes?: { input: string; run: Run } | undefined;
  run?: Run | undefined;
  running?: Running | undefined;
  /** Someone has passed through while it opened. */
  passed: boolean;
  /** Seconds until it closes by itself. */
  pause?: number | undefined;
  /** What it does without mains or with a low battery, and in how many seconds; held once it did it. */
  fall?: { row: Fall; left: number; done: boolean } | undefined;
  fault?: string | undefined;
  /** What the display shows for a moment, and the memory that was filled last. */
  shown?: string | undefined;
  filled?: string | undefined;
  /** Seconds since a key was last touched, and whether one is held down: the menus close, and a pause stores, by that. */
  idle: number;
  pressing: boolean;
  /** Seconds until a stored value is kept; keys pressed meanwhile are lost. */
  storing?: number | undefined;
  /** The screen of the power-up that stands, and for how many seconds more. */
  boot?: { screen: number; left: number } | undefined;
  events: BrainEvent[];
  /** What moves its leaves; without it they are where they go after a while. */
  world?: World | undefined;
}

/** What a board's leaves hang on: time runs there, and the board is told what it senses. */
export interface World {
  runs: (seconds: number) => void;
  /** A leaf is brought somewhere by hand. */
  puts: (leaf: Which, at: LeafPlace) => void;
  /** All leaves are truly there; half-way is neither near one end nor the other. */
  isAt: (place: LeafPlace) => boolean;
  /** An input is worked by hand at its terminal, or let go: it reads otherwise than its circuit has it. */
  works: (input: string, worked: boolean) => void;
  /** Takes away the supply an input is tested by, and looks whether it opens. */
  opens: (input: string) => boolean;
  /** Where a leaf stands just now is taken for an end of its travel. */
  marks: (leaf: Which, end: End) => void;
  /** Its battery is emptied, or filled, by someone. */
  drains: (empty: boolean) => void;
  /** It wakes, and reads its inputs before it does anything. */
  wakes: () => void;
  /** It sleeps, to draw less. */
  sleeps: () => boolean;
  /** It has a battery to go on with as the mains fail. */
  lives: () => boolean;
  /** The ends that were taken are the travel from here on; false where they are one place. */
  learns: () => boolean;
}

/** A board as it comes, without power, its leaves closed. */
export function brainAtRest(profile: BoardProfile, fitting: Fitting = {}): Brain {
  const cards = fitting.cards ?? deliveredCards(profile);
  return brainOf(fitBoard(profile, fitting), cards, fitting.leaves ?? profile.leaves);
}

/** The same for a board that is fitted to its site already. */
export function brainOf(board: BoardProfile, cards: readonly string[], leaves: number): Brain {
  const positions = foundPositions(board);
  return {
    board,
    cards,
    leaves: Math.min(leaves, board.leaves),
    live: false,
    power: false,
    mains: true,
    battery: "good",
    warns: false,
    mode: "idle",
    held: {},
    damaged: new Set(),
    inverted: new Set(),
    positions,
    inForce: positions,
    noted: positions,
    panel: panelAtRest(board),
    at: { first: "closed", second: "closed" },
    cycles: {},
    last: "closed",
    tripped: new Set(),
    trips: 0,
    passed: false,
    idle: 0,
    pressing: false,
    // Named from the start: what comes and goes by being deleted is slow to reach.
    resumes: undefined,
    run: undefined,
    running: undefined,
    pause: undefined,
    fall: undefined,
    fault: undefined,
    shown: undefined,
    filled: undefined,
    storing: undefined,
    boot: undefined,
    world: undefined,
    events: [],
  };
}

export function say(brain: Brain, event: BrainEvent): void {
  brain.events.push(event);
}

export function setMode(brain: Brain, mode: string): void {
  if (brain.mode === mode) return;
  brain.mode = mode;
  say(brain, { kind: "mode", mode });
}
