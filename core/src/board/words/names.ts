import type { BehaviourId, BehaviourValue } from "../behaviour.ts";
import type { BatteryState, LeafState, SupplyState, TimerWord } from "./leaf.ts";

/** Everything of a profile that can be named from elsewhere in it. */
export interface Names {
  terminals: readonly string[];
  inputs: readonly string[];
  keys: readonly string[];
  memories: readonly string[];
  procedures: readonly string[];
  programs: readonly string[];
  /** Codes that the display or a lamp tells. */
  codes: readonly string[];
  commits: readonly string[];
  cards: readonly string[];
  menus: readonly string[];
  /** Rails and outputs. */
  feeds: readonly string[];
  firmware: readonly string[];
  /** Those that procedures of cards enter count as well: the board's own lamps show them. */
  modes: readonly string[];
  /** What each control can stand at; undefined for a dial, which has clock times. */
  controls: ReadonlyMap<string, readonly string[] | undefined>;
  /** What each menu value can show; an empty list for an entry without a value. */
  items: ReadonlyMap<string, readonly string[]>;
  /** Behaviours that some control sets, or that are fixed. */
  behaviours: ReadonlySet<string>;
}

/** What the parts of a board are called; the id where it has no such part. */
export interface Labels {
  input(id: string): string;
  /** The terminal an input reads at; undefined where the board has no such input. */
  terminalOfInput(id: string): string | undefined;
  memory(id: string): string;
  card(id: string): string;
  /** A switch, slide or jumper by what is printed beside it. */
  control(id: string): string;
}

/**
 * What a condition is asked of: a bench at rest, a plan, or everything a board can be brought to. Each question says the
 * answer that is wanted.
 */
export interface Circumstances {
  power(on: boolean): boolean;
  /** One that a setting switches off counts as at rest. */
  reads(input: string, as: "closed" | "open"): boolean;
  learned(memory: string, yes: boolean): boolean;
  mode(word: string): boolean;
  /** A control was moved and not committed. */
  pending(yes: boolean): boolean;
  /** Whether the value in force fits; undefined is given where nothing sets it. */
  behaviour(id: BehaviourId, fits: (value: BehaviourValue | undefined) => boolean): boolean;
  control(id: string, at: string | undefined): boolean;
  fitted(card: string): boolean;
  /** Where the board takes the leaves to be, by what it senses; one that knows no position answers no to each. */
  leaf(where: LeafState): boolean;
  supply(from: SupplyState): boolean;
  battery(is: BatteryState): boolean;
  /** A time that is running, such as the pause before closing by itself. */
  timer(runs: TimerWord): boolean;
  fault(code: string): boolean;
}
