/** A stream of chance: each call gives the next part, from 0 to just under 1. */
export type Chance = () => number;

const spin = (state: number, by: number) => Math.imul(state ^ (state >>> by), 0x45d9f3b | 1);

/** A whole number of 32 bits made of a text, alike for alike texts (FNV-1a). */
export function numberOf(text: string, from = 0x811c9dc5): number {
  let state = from;
  for (let at = 0; at < text.length; at += 1) state = Math.imul(state ^ text.charCodeAt(at), 0x01000193);
  return state >>> 0;
}

/**
 * One stream for one purpose out of a seed: whole numbers alone, so that it is the same in every engine, and what one purpose
 * draws changes nothing of another (Marsaglia's xorshift of 32 bits).
 */
export function chanceOf(seed: number, purpose: string): Chance {
  let state = spin(numberOf(purpose) ^ spin(seed | 0, 16), 15) || 0x9e3779b9;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 0x1_0000_0000;
  };
}
