import fc from "fast-check";
import {
  clockBeside,
  clockNear,
  clockText,
  clockToDegrees,
  clockToFraction,
  degreesToClock,
  fractionToClock,
  readableFractions,
  readClock,
  sweepDegrees,
  sweepPassesNoon,
} from "./clock.ts";

const sevenToFive = { from: "7:00", to: "5:00" };
const halfPast = { from: "7:30", to: "4:30" };

describe("clock geometry of a dial (plane geometry: an hour is 30°)", () => {
  test.each([
    ["9:00", 0.2],
    ["12:00", 0.5],
    ["3:00", 0.8],
    ["7:00", 0],
    ["5:00", 1],
  ])("on a sweep from 7 to 5 o'clock %s stands at %d", (clock, fraction) => {
    expect(clockToFraction(clock, sevenToFive)).toBeCloseTo(fraction, 9);
    expect(fractionToClock(fraction, sevenToFive)).toBe(clock);
  });

  test("7 to 5 o'clock is 300°, 7:30 to 4:30 is 270°, where 9 o'clock is 16.7 %", () => {
    expect(sweepDegrees(sevenToFive)).toBe(300);
    expect(sweepDegrees(halfPast)).toBe(270);
    expect(clockToFraction("9:00", halfPast)).toBeCloseTo(1 / 6, 9);
  });

  test("a sweep with its ends swapped does not pass 12", () => {
    expect(sweepPassesNoon(sevenToFive)).toBe(true);
    expect(sweepPassesNoon({ from: "5:00", to: "7:00" })).toBe(false);
  });

  test("a time outside the sweep, and one that is no time, are refused with what was found", () => {
    expect(() => clockToFraction("6:00", sevenToFive)).toThrow(/from 7:00 to 5:00, found 6:00/);
    expect(() => clockToDegrees("13:00")).toThrow(/found "13:00"/);
  });

  test("every minute of the clock survives the way to degrees and back", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 59 }), (h, m) => {
        const clock = `${h}:${String(m).padStart(2, "0")}`;
        expect(degreesToClock(clockToDegrees(clock))).toBe(clock);
      }),
      { seed: 1 },
    );
  });

  test("readable positions are a quarter of an hour apart and hold both ends", () => {
    const fractions = readableFractions(sevenToFive);
    expect(fractions).toHaveLength(41);
    expect(fractions[0]).toBe(0);
    expect(fractions.at(-1)).toBe(1);
    expect(fractionToClock(fractions[1]!, sevenToFive)).toBe("7:15");
  });

  test("a position is told as clock time and fraction, and read as either, however it is typed", () => {
    expect(clockText("2:30", sevenToFive)).toBe("2:30, 75 %");
    const typed = {
      "2:30": "2:30",
      "230": "2:30",
      "14": undefined,
      "12": "12:00",
      "65 %": "1:30",
      "0%": "7:00",
    };
    for (const [text, clock] of Object.entries(typed))
      expect([text, readClock(text, sevenToFive)]).toEqual([text, clock]);
    for (const wrong of ["6:00", "101 %", "2:75", "", "half", "-5 %"])
      expect(readClock(wrong, sevenToFive)).toBeUndefined();
    for (const at of readableFractions(sevenToFive)) {
      const clock = fractionToClock(at, sevenToFive);
      expect(readClock(clock, sevenToFive)).toBe(clock);
    }
  });

  test("a drag ends at the nearest readable position, and a step at the next; at the ends it stays", () => {
    const all = readableFractions(sevenToFive).map((at) => fractionToClock(at, sevenToFive));
    for (const [at, clock] of all.entries()) {
      expect(clockNear(clockToDegrees(clock) + 3, sevenToFive)).toBe(clock);
      expect(clockBeside(clock, sevenToFive, 1)).toBe(all[Math.min(at + 1, all.length - 1)]);
      expect(clockBeside(clock, sevenToFive, -1)).toBe(all[Math.max(at - 1, 0)]);
    }
    expect([clockNear(175, sevenToFive), clockNear(200, sevenToFive)]).toEqual(["5:00", "7:00"]);
  });
});
