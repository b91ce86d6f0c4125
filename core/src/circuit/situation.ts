import type { Rail } from "../board/index.ts";

/** What goes on at the board, in the order of a movement; `awake` is at rest with someone at work on it. */
export const situations = ["idle", "awake", "testing", "opening", "open", "closing", "battery"] as const;

export type Situation = (typeof situations)[number];

/** The moment that is measured: what goes on, and the temperature of every core, °C. */
export interface Moment {
  situation: Situation;
  celsius: number;
}

export const atRest: Moment = { situation: "awake", celsius: 20 };

/** What each situation is called. */
export const situationNames: Record<Situation, string> = {
  idle: "at rest, nobody about",
  awake: "at rest, someone at the board",
  testing: "testing before it starts",
  opening: "opening",
  open: "open",
  closing: "closing",
  battery: "on battery",
};

const awake: readonly Situation[] = ["awake", "testing", "opening", "open", "closing"];
const moving: readonly Situation[] = ["opening", "closing"];

const livesIn: Record<Rail["live"], readonly Situation[]> = {
  always: ["idle", ...awake, "battery"],
  awake,
  moving,
  opening: ["opening"],
  closing: ["closing"],
  "open-or-closing": ["open", "closing"],
  "not-closed": ["opening", "open", "closing"],
  testing: ["testing"],
  unlocking: ["opening"],
};

/** True when the rail has voltage in this situation. A battery feeds what is d.c. and always on, and nothing else. */
export function railLives(rail: Pick<Rail, "live" | "kind">, situation: Situation): boolean {
  return livesIn[rail.live].includes(situation) && (situation !== "battery" || rail.kind === "dc");
}

/** True while devices draw what they draw at work: beams broken, lamps lit. */
export const atWork = (situation: Situation) => moving.includes(situation) || situation === "open";
