import { chanceOf, numberOf } from "./index.ts";

const drawn = (seed: number, purpose: string, count = 4_000) => {
  const chance = chanceOf(seed, purpose);
  return Array.from({ length: count }, chance);
};

test("chance is the same for the same seed and purpose, and another for any other", () => {
  expect(drawn(7, "leaf")).toEqual(drawn(7, "leaf"));
  for (const [seed, purpose] of [
    [8, "leaf"],
    [7, "leaves"],
    [0, "leaf"],
  ] as const)
    expect(drawn(seed, purpose)).not.toEqual(drawn(7, "leaf"));
});

test("its parts lie evenly from 0 to just under 1, one not following from the last", () => {
  for (const seed of [0, 1, 20_261_127, 0xffff_ffff]) {
    const parts = drawn(seed, "even");
    expect(parts.every((part) => part >= 0 && part < 1)).toBe(true);
    // Ten boxes of 400 each: a spread of four standard deviations is ± 76 (binomial, common statistics).
    for (let box = 0; box < 10; box += 1)
      expect(Math.abs(parts.filter((part) => Math.floor(part * 10) === box).length - 400)).toBeLessThan(76);
    const mean = 0.5;
    const follows = parts.slice(1).reduce((sum, part, at) => sum + (part - mean) * (parts[at]! - mean), 0);
    expect(Math.abs(follows / parts.length)).toBeLessThan(0.0053);
  }
});

test("a text's number is FNV-1a of 32 bits: published values of short texts", () => {
  // Test vectors of the FNV reference code (public domain), from memory: the empty text, "a", "foobar".
  expect([numberOf(""), numberOf("a"), numberOf("foobar")]).toEqual([0x811c9dc5, 0xe40c292c, 0xbf9cf968]);
});
