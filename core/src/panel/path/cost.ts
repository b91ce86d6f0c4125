import type { Gesture } from "../../board/index.ts";

/** A look at the display after each gesture, ms; assumed. */
const lookMs = 300;
/** One press, or one click of a knob, ms; assumed. */
const pressMs = 200;

/** How long a gesture takes with the look that follows it, whole milliseconds; a hold and a wait cost their time. */
export function gestureMs(made: Gesture): number {
  if ("press" in made) return made.press.times * pressMs + lookMs;
  if ("turn" in made) return made.turn.clicks * pressMs + lookMs;
  if ("hold" in made) return Math.round(made.hold.seconds * 1000) + lookMs;
  if ("together" in made) return Math.round(made.together.seconds * 1000) + lookMs;
  if ("wait" in made) return Math.round(made.wait * 1000);
  return lookMs;
}
