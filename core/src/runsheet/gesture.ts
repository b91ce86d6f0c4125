import type { Gesture } from "../board/index.ts";
import { plainNumber } from "../quantity/index.ts";

/** What is held by a gesture and for how long, s; undefined where nothing is. */
export function heldBy(gesture: Gesture): { what: string; seconds: number } | undefined {
  if ("hold" in gesture) return { what: gesture.hold.key, seconds: gesture.hold.seconds };
  if ("together" in gesture)
    return { what: gesture.together.keys.join(" and "), seconds: gesture.together.seconds };
  if ("trip" in gesture && gesture.trip.seconds)
    return { what: gesture.trip.input, seconds: gesture.trip.seconds };
  return undefined;
}

const times = (n: number) => (n === 1 ? "" : n === 2 ? " twice" : ` ${n} times`);

/** A gesture in a few words: "hold OK for 3 s", "press UP twice". */
export function gestureText(gesture: Gesture): string {
  if ("hold" in gesture) return `hold ${gesture.hold.key} for ${plainNumber(gesture.hold.seconds)} s`;
  if ("press" in gesture) return `press ${gesture.press.key}${times(gesture.press.times)}`;
  if ("together" in gesture)
    return `hold ${gesture.together.keys.join(" and ")} together for ${plainNumber(gesture.together.seconds)} s`;
  if ("turn" in gesture)
    return `turn ${gesture.turn.key} to the ${gesture.turn.to}${gesture.turn.clicks > 1 ? ` by ${gesture.turn.clicks} clicks` : ""}`;
  if ("choose" in gesture)
    return `choose ${gesture.choose.item}${gesture.choose.as ? ` and set it to ${gesture.choose.as}` : ""}`;
  if ("set" in gesture) return `set ${gesture.set.control} to ${gesture.set.to}`;
  if ("trip" in gesture)
    return `hold ${gesture.trip.input} by hand${gesture.trip.seconds ? ` for ${plainNumber(gesture.trip.seconds)} s` : ""}`;
  if ("power" in gesture) return `switch the supply ${gesture.power}`;
  if ("wait" in gesture) return `wait ${plainNumber(gesture.wait)} s`;
  if ("place" in gesture) return `place: ${gesture.place}`;
  if ("watch" in gesture) return `watch ${gesture.watch}`;
  return `at the transmitter: ${gesture.remote}`;
}
