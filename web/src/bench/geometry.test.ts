import fc from "fast-check";
import { spread } from "./spread.ts";

test("tags keep their distance and stay in order, however their wanted places crowd", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 180, noNaN: true }), { minLength: 1, maxLength: 20 }),
      (wanted) => {
        const placed = spread(wanted, 8.4, 0, 180);
        const sorted = [...placed].sort((a, b) => a - b);
        sorted.forEach((x, at) => {
          if (at) expect(x - sorted[at - 1]!).toBeGreaterThanOrEqual(8.4 - 1e-9);
        });
        wanted.forEach((a, i) =>
          wanted.forEach((b, j) => a < b && expect(placed[i]!).toBeLessThan(placed[j]!)),
        );
        expect(Math.max(...placed)).toBeLessThanOrEqual(180);
      },
    ),
    { seed: 11 },
  );
});

test("places that have room stay where they want to be", () => {
  expect(spread([10, 50, 90], 8, 0, 100)).toEqual([10, 50, 90]);
});
