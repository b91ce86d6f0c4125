import { cosine, radians, sine } from "./index.ts";

// The general-purpose reference is the engine's own library: it may differ in the last bit from the next engine's, and not by more.
test("sine and cosine agree with the engine's to 2·10⁻¹⁵, over many turns both ways", () => {
  for (let n = -2_000; n <= 2_000; n += 1) {
    const x = n * 0.0137;
    expect(Math.abs(sine(x) - Math.sin(x))).toBeLessThan(2e-15);
    expect(Math.abs(cosine(x) - Math.cos(x))).toBeLessThan(2e-15);
    // Pythagoras.
    expect(Math.abs(sine(x) ** 2 + cosine(x) ** 2 - 1)).toBeLessThan(2e-15);
  }
});

test("known angles: 30° is one half, 45° the root of one half, 90° one, 180° nothing", () => {
  expect(sine(radians(30))).toBeCloseTo(0.5, 15);
  expect(sine(radians(45))).toBeCloseTo(Math.SQRT1_2, 15);
  expect(cosine(radians(60))).toBeCloseTo(0.5, 15);
  expect(sine(radians(90))).toBe(1);
  expect(Math.abs(sine(radians(180)))).toBeLessThan(2e-16);
});
