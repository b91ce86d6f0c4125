/** A cost in two words, compared as in a dictionary: the grave one first, and where it is equal the light one. */
export type Cost = readonly [grave: number, light: number];

export const free: Cost = [0, 0];

/** Differences under this come from rounding. */
const epsilon = 1e-6;

/** Negative when a is better, 0 when alike, positive when worse. */
export function compareCost(a: Cost, b: Cost): number {
  const grave = a[0] - b[0];
  if (Math.abs(grave) > epsilon) return grave;
  const light = a[1] - b[1];
  return Math.abs(light) > epsilon ? light : 0;
}

export const addCost = (a: Cost, b: Cost): Cost => [a[0] + b[0], a[1] + b[1]];

export const sumCost = (costs: readonly Cost[]): Cost => costs.reduce(addCost, free);
