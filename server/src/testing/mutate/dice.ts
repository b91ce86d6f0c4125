/** A die that falls alike for the same seed (mulberry32). */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A roll from 0 up to 1. */
export type Roll = () => number;

/** Any one of several. */
export const pick = <T>(roll: Roll, all: readonly T[]): T => all[Math.floor(roll() * all.length)]!;
