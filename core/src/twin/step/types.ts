import type { Brain, Leg, Which } from "../brain/index.ts";
import type { Plant } from "../plant/index.ts";
import type { Store } from "../power/index.ts";
import type { EndContact, Feeds, Lock, Site } from "../site/index.ts";
import type { Traffic } from "../traffic/index.ts";
import type { Sense } from "./sense.ts";

/** One step of the twin, s. */
export const tickSeconds = 0.005;

/** A board that runs, its wires, and what it moves: the board reads its inputs, never where a leaf truly is. */
export interface Twin {
  readonly brain: Brain;
  readonly site: Site;
  readonly plant: Plant;
  /** Contacts that the leaves work at their ends. */
  readonly ends: EndContact[];
  /** What it began with, before any fault was put in. */
  readonly sound: Pick<Site, "wired" | "sits" | "feeds"> & { hands: Partial<Record<Which, 1 | -1>> };
  /** Its lock's bolt does not meet its plate. */
  unlatched: boolean;
  readonly locks: readonly Lock[];
  /** People and vehicles on their way. */
  readonly traffic: Traffic;
  /** Its battery; undefined where it has none. */
  readonly store: Store | undefined;
  /** Seconds since anything stirred at the board, and what had happened by then. */
  still: number;
  stirred: number;
  /** What the board makes of each of its outputs. */
  readonly senses: Partial<Record<Which, Sense>>;
  /** What each output brings to a drive, which way that turns it, and for which measurement of the circuit that was worked out. */
  feeds: Feeds;
  turns: Record<Which, 1 | -1>;
  fedAt: number;
  ticks: number;
  /** Whoever looks on: at this step it is told, and says when next. */
  onlooker: { at: number; looks: () => number };
  /** What the board does with its drives, and of what that was worked out. */
  legs: Partial<Record<Which, Leg | undefined>>;
  of: { run?: Brain["run"]; inForce?: Brain["inForce"]; phase?: unknown; trips?: number };
  /** Steps whose time the board has not counted yet, and at how many it wants to. */
  owed: number;
  due: number;
}
