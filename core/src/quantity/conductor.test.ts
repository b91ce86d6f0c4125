import { conductorOhms, conductorSizesMm2, loopDropVolts } from "./conductor.ts";

describe("copper conductors", () => {
  // IEC 60228, table of class 5 conductors, plain copper, 20 °C; from memory.
  test.each([
    [0.5, 39.0],
    [0.75, 26.0],
    [1, 19.5],
    [1.5, 13.3],
    [2.5, 7.98],
    [4, 4.95],
    [6, 3.3],
  ])("%d mm² flexible is %d Ω/km at 20 °C", (size, ohms) => {
    expect(conductorOhms(size, 1000)).toBeCloseTo(ohms, 9);
  });

  // IEC 60228, class 1 and 2; from memory.
  test.each([
    [0.5, 36.0],
    [0.75, 24.5],
    [1, 18.1],
    [1.5, 12.1],
    [2.5, 7.41],
    [4, 4.61],
    [6, 3.08],
  ])("%d mm² stranded is %d Ω/km at 20 °C", (size, ohms) => {
    expect(conductorOhms(size, 1000, 20, 2)).toBeCloseTo(ohms, 9);
  });

  test("no conductor is better than its cross-section of annealed copper (1/58 Ω·mm²/m, IEC 60028, from memory)", () => {
    for (const size of conductorSizesMm2)
      for (const strands of [2, 5] as const)
        expect(conductorOhms(size, 1000, 20, strands)).toBeGreaterThanOrEqual(1000 / 58 / size);
  });

  test("24 V, 0.5 A over 40 m of 0.75 mm² flexible loses 1.04 V, 4.3 %", () => {
    expect(2 * conductorOhms(0.75, 40)).toBeCloseTo(2.08, 9);
    expect(loopDropVolts(500, 0.75, 40)).toBeCloseTo(1.04, 9);
    expect((loopDropVolts(500, 0.75, 40) / 24) * 100).toBeCloseTo(4.3, 1);
  });

  test("at 70 °C copper has 1.1965 times its resistance at 20 °C (IEC 60028 coefficient, from memory)", () => {
    expect(conductorOhms(1, 10, 70) / conductorOhms(1, 10, 20)).toBeCloseTo(1.1965, 4);
  });

  test("a size that is not made is refused", () => {
    expect(() => conductorOhms(0.8, 1)).toThrow(/expected one of 0.5, 0.75/);
  });
});
