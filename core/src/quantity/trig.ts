/** Half a turn as the nearest double, and what it leaves over (two parts of π, so that large angles keep their digits). */
const piHigh = 3.141592653589793;
const piLow = 1.2246467991473532e-16;

/** Sine of at most a quarter of a turn, by its series to the 21st power: off by less than one part in 10¹⁵. */
function quarterSine(x: number): number {
  const square = x * x;
  let sum = 1;
  for (let n = 20; n >= 2; n -= 2) sum = 1 - (square / (n * (n + 1))) * sum;
  return x * sum;
}

/**
 * Sine of an angle, rad. The engine's own differs from one engine to the next; this one needs nothing but sums, products
 * and `Math.floor`, and gives the same everywhere.
 */
export function sine(x: number): number {
  const turns = Math.floor(x / piHigh + 0.5);
  const rest = x - turns * piHigh - turns * piLow;
  return turns % 2 === 0 ? quarterSine(rest) : -quarterSine(rest);
}

/** Cosine of an angle, rad; by the same means. */
export const cosine = (x: number): number => sine(x + piHigh / 2);

/** An angle of some degrees, rad. */
export const radians = (degrees: number): number => (degrees * piHigh) / 180;
