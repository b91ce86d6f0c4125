import type { JobBundle } from "../../job/index.ts";
import { nextSeconds, orderOf, waits, type Brain, type Order, type Which } from "../brain/index.ts";
import { limitsOf, plantMoves, plantOf, type Plant, type PlantLeaf } from "../plant/index.ts";
import { leftOf, sensed, type Sense } from "./sense.ts";

/** One step of the twin, s. */
export const tickSeconds = 0.005;

/** A board that runs, and what it moves: the board reads what it senses, never where a leaf truly is. */
export interface Twin {
  readonly brain: Brain;
  readonly plant: Plant;
  readonly senses: Partial<Record<Which, Sense>>;
  ticks: number;
  /** The run of the last step: another one begins to be felt anew. */
  run?: Brain["run"];
  /** Seconds the board has not counted yet, and at how many it wants to. */
  owed: number;
  due: number;
}

/** The longest a board is left without its time, s: menus close and pauses store by it. */
const longestOwed = 0.1;

const whiches = ["first", "second"] as const;

/** A board of a job as it runs, with what it moves where the board takes it to be. */
export function twinOf(brain: Brain, bundle: JobBundle): Twin {
  const plant = plantOf(bundle);
  brain.sensed = true;
  brain.live = true;
  const senses: Twin["senses"] = {};
  for (const which of whiches) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const part = { closed: 0, between: 0.5, open: 1 }[brain.at[which]];
    leaf.motion.at = part * leaf.body.travel;
    senses[which] = { limits: limitsOf(bundle, which), driven: 0, stalled: 0 };
  }
  return { brain, plant, senses, ticks: 0, owed: 0, due: 0 };
}

/** The board counts the time it is owed. Before anything is done to it, so that nothing comes too early. */
function counts(twin: Twin): void {
  const { brain, owed } = twin;
  twin.owed = 0;
  if (owed > 0) waits(brain, owed);
  twin.due = Math.min(longestOwed, nextSeconds(brain));
}

/** A drive is given what the board orders. */
function ordered({ drive, line }: PlantLeaf, order: Order | undefined): void {
  drive.volts = order ? (order.toward === "open" ? 1 : -1) * order.speed * line.ratedVolts : 0;
  drive.limit = order ? order.force * line.thrust : Infinity;
}

/** One step: drives as the board orders, movement, what is sensed of it, time. */
function tick(twin: Twin): void {
  const { brain, plant, senses } = twin;
  const { run } = brain;
  if (run !== twin.run)
    for (const sense of Object.values(senses)) Object.assign(sense, { driven: 0, stalled: 0 });
  twin.run = run;
  const orders: Partial<Record<Which, Order>> = {};
  for (const which of whiches) {
    const leaf = plant.leaves[which];
    if (!leaf) continue;
    const order = run && orderOf(brain, which, leftOf(brain, leaf, run.toward));
    if (order) orders[which] = order;
    ordered(leaf, order);
  }
  plantMoves(plant, tickSeconds);
  for (const which of whiches) {
    const leaf = plant.leaves[which];
    const sense = senses[which];
    // What the first leaf met may have ended the run of both.
    if (leaf && sense && brain.run === run)
      sensed(brain, which, { leaf, sense, order: orders[which] }, tickSeconds);
  }
  twin.ticks += 1;
  twin.owed += tickSeconds;
  if (twin.owed >= twin.due || brain.run !== run) counts(twin);
}

/** Lets time run, s. */
export function twinRuns(twin: Twin, seconds: number): void {
  const last = twin.ticks + Math.round(seconds / tickSeconds);
  while (twin.ticks < last) tick(twin);
}

/** Does something at the board, with its time counted until then. */
export function twinDoes(twin: Twin, does: (brain: Brain) => void): void {
  counts(twin);
  does(twin.brain);
  counts(twin);
}
