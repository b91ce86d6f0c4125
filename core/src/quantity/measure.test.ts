import fc from "fast-check";
import {
  conductorSizesMm2,
  conductorText,
  gaugeFor,
  gaugeMm2,
  inUnits,
  measureText,
  metric,
  quantityText,
  readMeasure,
  type Units,
} from "./index.ts";

const imperial: Units = { system: "imperial", conductors: "awg" };
const read = (text: string, unit: string = "mm", units = metric) => {
  const result = readMeasure(text, unit, units);
  return "wrong" in result ? result.wrong : result.value;
};

describe("measures are read as they are written", () => {
  test.each<[string, string, number]>([
    ["1800", "mm", 1800],
    ["1 800", "mm", 1800],
    ["1.8 m", "mm", 1800],
    ["1,8m", "mm", 1800],
    ["180 cm", "mm", 1800],
    [`5' 11"`, "mm", 1803],
    ["5′ 11″", "mm", 1803],
    ["5 ft 11 in", "mm", 1803],
    [`5'11 1/2"`, "mm", 1816],
    ["71 in", "mm", 1803],
    ["6 feet", "mm", 1829],
    ["12", "m", 12],
    ["40 ft", "m", 12.19],
    ["120", "kg", 120],
    ["265 lb", "kg", 120.2],
    ["0.4 t", "kg", 400],
    ["90 lbf", "N", 400],
    ["40 kgf", "N", 392],
    ["90", "°", 90],
  ])("%s in a field of %s", (text, unit, value) => expect(read(text, unit)).toBe(value));

  test("a number alone stands in the unit the field shows", () => {
    expect(read("71", "mm", imperial)).toBe(1803);
    expect(read("71 mm", "mm", imperial)).toBe(71);
    expect(read("265", "kg", imperial)).toBe(120.2);
    expect(read("40", "m", imperial)).toBe(12.19);
    expect(read("7", "months", imperial)).toBe(7);
  });

  test("what is no measure says what was expected and found; empty is nothing", () => {
    for (const text of ["wide", "12 kg", "5'' 5'", "1/0", "1.2.3", "5' x"])
      expect(read(text)).toBe(`Expected 1800, 1.8 m, 5' 11" or 71 in; found “${text}”.`);
    expect(read("9 mm", "kg")).toMatch(/^Expected 120, .*found “9 mm”/);
    expect(read("  ")).toBeUndefined();
  });

  test("what is shown is read again as what it stands for, to an eighth of an inch and a tenth of a pound", () => {
    const near: Partial<Record<string, number>> = { mm: 1.6 + 0.5, m: 0.0016 + 0.005, kg: 0.06, N: 0.8 };
    for (const unit of ["mm", "m", "kg", "N"] as const)
      fc.assert(
        fc.property(fc.integer({ min: 1, max: 12_000 }), (value) => {
          const again = read(measureText(value, unit, imperial), unit, imperial);
          expect(Math.abs(Number(again) - value)).toBeLessThanOrEqual(near[unit]!);
          expect(read(measureText(value, unit, metric), unit)).toBe(value);
        }),
      );
  });
});

describe("measures in feet, pounds and gauges", () => {
  // International yard and pound agreement, 1959: a foot is 304.8 mm, a pound 0.45359237 kg, exactly.
  test("round lengths and masses", () => {
    expect(quantityText(304.8, "mm", imperial)).toBe("1′ 0″");
    expect(quantityText(25.4 / 2, "mm", imperial)).toBe("1/2″");
    expect(quantityText(1800, "mm", imperial)).toBe("5′ 10 7/8″");
    expect(quantityText(45.359237, "kg", imperial)).toBe("100 lb");
    expect(quantityText(4.4482216152605, "N", imperial)).toBe("1 lbf");
    expect(quantityText(1800, "mm", metric)).toBe("1800 mm");
  });

  // ASTM B258, from memory: the diameter of gauge n is 0.127 mm × 92^((36 − n)/39).
  test.each([8, 10, 12, 14, 16, 18, 20, 22])("gauge %d has the cross-section of its diameter", (gauge) => {
    const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
    expect(gaugeMm2(gauge)).toBeCloseTo((Math.PI / 4) * diameterMm ** 2, 3);
  });

  test("a conductor's gauge is never thinner than its cross-section", () => {
    for (const size of conductorSizesMm2) expect(gaugeMm2(gaugeFor(size))!).toBeGreaterThanOrEqual(size);
    expect(conductorSizesMm2.map((size) => conductorText(size, imperial))).toEqual([
      "AWG 20",
      "AWG 18",
      "AWG 16",
      "AWG 14",
      "AWG 12",
      "AWG 10",
      "AWG 8",
    ]);
  });

  test("a sentence has its measures in them, and leaves alone what is none", () => {
    expect(inUnits("12.5 m of 1.5 mm² for 120 kg, 20 to 30 mm beside it, 400 N.", imperial)).toBe(
      "41′ 1/8″ of AWG 14 for 264.6 lb, 3/4″ to 1 1/8″ beside it, 89.9 lbf.",
    );
    for (const text of ["24 V DC, 310 mA", "60 N·m", "3 months", "180 mm/s", "S10 m"])
      expect(inUnits(text, imperial)).toBe(text);
    expect(inUnits("1.5 mm² over 5 m", { system: "metric", conductors: "awg" })).toBe("AWG 14 over 5 m");
  });
});
