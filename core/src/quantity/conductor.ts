/** Strand classes of copper conductors: 1 and 2 are solid and stranded, 5 is flexible. */
export type ConductorClass = 2 | 5;

/** Highest d.c. resistance at 20 °C of plain copper, Ω/km, by cross-section in mm². IEC 60228, from memory. */
const ohmsPerKm: Record<ConductorClass, Record<number, number>> = {
  2: { 0.5: 36.0, 0.75: 24.5, 1: 18.1, 1.5: 12.1, 2.5: 7.41, 4: 4.61, 6: 3.08 },
  5: { 0.5: 39.0, 0.75: 26.0, 1: 19.5, 1.5: 13.3, 2.5: 7.98, 4: 4.95, 6: 3.3 },
};

/** Cross-sections that have a resistance here, in mm², smallest first. */
export const conductorSizesMm2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6] as const;

/** Change of copper's resistance per kelvin, referred to 20 °C. IEC 60028, from memory. */
const copperPerKelvin = 0.00393;

/** How much more resistance copper has at this temperature than at 20 °C. */
export const copperRatio = (celsius: number): number => 1 + copperPerKelvin * (celsius - 20);

/**
 * Resistance of one conductor, Ω.
 * @param sizeMm2 one of `conductorSizesMm2`; anything else throws RangeError
 * @param lengthM one way, in metres
 * @param celsius temperature of the copper
 */
export function conductorOhms(
  sizeMm2: number,
  lengthM: number,
  celsius = 20,
  strands: ConductorClass = 5,
): number {
  const perKm = ohmsPerKm[strands][sizeMm2];
  if (perKm === undefined)
    throw new RangeError(`sizeMm2: expected one of ${conductorSizesMm2.join(", ")}, found ${sizeMm2}`);
  return (perKm / 1000) * lengthM * copperRatio(celsius);
}

/** Volts lost out and back along a cable run of the given length that carries this current. */
export function loopDropVolts(
  milliamps: number,
  sizeMm2: number,
  lengthM: number,
  celsius = 20,
  strands: ConductorClass = 5,
): number {
  return 2 * conductorOhms(sizeMm2, lengthM, celsius, strands) * (milliamps / 1000);
}
