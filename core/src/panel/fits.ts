import type { Gesture } from "../board/index.ts";

/**
 * How well a gesture that was made fits one that is wanted, the more the better: a hold fits every shorter one, and the
 * longest of those best. 0 where it does not fit at all.
 */
function fitOf(made: Gesture, wanted: Gesture): number {
  if ("hold" in made && "hold" in wanted)
    return made.hold.key === wanted.hold.key && made.hold.seconds >= wanted.hold.seconds
      ? 1 + wanted.hold.seconds
      : 0;
  if ("press" in made && "press" in wanted)
    return made.press.key === wanted.press.key && made.press.times === wanted.press.times ? 1 : 0;
  if ("turn" in made && "turn" in wanted)
    return made.turn.key === wanted.turn.key && made.turn.to === wanted.turn.to ? 1 : 0;
  if ("together" in made && "together" in wanted) {
    const [a, b] = [made.together, wanted.together].map(({ keys }) => [...keys].sort().join(" "));
    return a === b && made.together.seconds >= wanted.together.seconds ? 1 + wanted.together.seconds : 0;
  }
  if ("trip" in made && "trip" in wanted) {
    const { input, seconds = 0 } = wanted.trip;
    return made.trip.input === input && (made.trip.seconds ?? 0) >= seconds ? 1 + seconds : 0;
  }
  return 0;
}

/** The one of several wanted gestures that a made one is taken for; of equals the first, undefined where none fits. */
export function bestOf<T>(
  made: Gesture,
  wanted: readonly { by: Gesture | undefined; value: T }[],
): T | undefined {
  let best: { fit: number; value: T } | undefined;
  for (const { by, value } of wanted) {
    const fit = by ? fitOf(made, by) : 0;
    if (fit > (best?.fit ?? 0)) best = { fit, value };
  }
  return best?.value;
}

/**
 * The single gestures that a gesture is made of where it is wanted as such: three presses are three times one press, and
 * turning by five clicks five times by one.
 */
export function singlesOf(made: Gesture): Gesture[] {
  if ("press" in made)
    return Array.from({ length: made.press.times }, () => ({ press: { ...made.press, times: 1 } }));
  if ("turn" in made)
    return Array.from({ length: made.turn.clicks }, () => ({ turn: { ...made.turn, clicks: 1 } }));
  return [made];
}
