import type { Cost } from "./cost.ts";

/** One way to place an item: what it costs by itself, the slot it takes one unit of, and the limits its current counts to. */
export interface Option<T> {
  choice: T;
  cost: Cost;
  slot?: string;
  /** A second slot it takes one unit of as well. */
  also?: string;
  /** The narrowest first, each within the next. */
  limits?: readonly string[];
}

/** Something to place. Without an option left it stays unplaced, at this cost. */
export interface Item<T> {
  options: readonly Option<T>[];
  unplaced: Cost;
  /** What it draws wherever it is placed, mA. */
  milliamps?: number;
}

/** What options share. */
export interface Shared {
  /** What the nth use of a slot costs, counted from 1 and never falling; Infinity past what it takes. Free where left out. */
  slots: Readonly<Record<string, (nth: number) => Cost>>;
  /** Milliamps a limit bears; each one over it costs one in the grave word. */
  limits: Readonly<Record<string, number>>;
}

/** The best assignment: for each item its choice, or undefined where it stays unplaced. */
export interface Assignment<T> {
  choices: (T | undefined)[];
  cost: Cost;
  /** False when the search was cut short: the best met so far, not proved to be the best there is. */
  proved: boolean;
}
