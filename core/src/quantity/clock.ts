/** Degrees clockwise from 12 o'clock, 0 ≤ angle < 360. */
export type Degrees = number;

/** A dial's travel, told as the clock times of its two ends; it runs clockwise, through 12. */
export interface Sweep {
  from: string;
  to: string;
}

const degreesAnHour = 30;
const clockPattern = /^(1[0-2]|[1-9]):([0-5]\d)$/;

/** The finest clock position people read off a small arrow reliably; common practice, a quarter of an hour. */
const readableClockMinutes = 15;

/** True when the text is a clock time such as "7:30"; hours run 1 to 12. */
export function isClock(text: string): boolean {
  return clockPattern.test(text);
}

/** Angle of an hour hand at the given clock time. Throws RangeError on anything that is not one. */
export function clockToDegrees(clock: string): Degrees {
  const match = clockPattern.exec(clock);
  if (!match) throw new RangeError(`clock: expected a time such as "7:30", found ${JSON.stringify(clock)}`);
  return (((Number(match[1]) % 12) + Number(match[2]) / 60) * degreesAnHour) % 360;
}

/** Clock time of an hour hand at this angle, to the minute. */
export function degreesToClock(degrees: Degrees): string {
  const minutes = Math.round((((degrees % 360) + 360) % 360) * (60 / degreesAnHour)) % (12 * 60);
  const hour = Math.floor(minutes / 60) || 12;
  return `${hour}:${String(minutes % 60).padStart(2, "0")}`;
}

/** Angle swept clockwise from one end to the other, in degrees: 7 to 5 o'clock is 300. */
export function sweepDegrees(sweep: Sweep): Degrees {
  return (clockToDegrees(sweep.to) - clockToDegrees(sweep.from) + 360) % 360;
}

/** True when the sweep runs clockwise through 12 o'clock, as every trimmer does; false when its ends are swapped. */
export function sweepPassesNoon(sweep: Sweep): boolean {
  return clockToDegrees(sweep.from) > clockToDegrees(sweep.to);
}

/** Fraction of the sweep (0 to 1) at a clock time. Throws RangeError when the time lies outside the sweep. */
export function clockToFraction(clock: string, sweep: Sweep): number {
  const turned = (clockToDegrees(clock) - clockToDegrees(sweep.from) + 360) % 360;
  const whole = sweepDegrees(sweep);
  if (turned > whole + 1e-9)
    throw new RangeError(`clock: expected a time from ${sweep.from} to ${sweep.to}, found ${clock}`);
  return turned / whole;
}

/** Angle of a dial standing at a fraction (0 to 1) of its sweep. */
export function fractionToDegrees(fraction: number, sweep: Sweep): Degrees {
  return (clockToDegrees(sweep.from) + fraction * sweepDegrees(sweep)) % 360;
}

/** Clock time of a dial standing at a fraction (0 to 1) of its sweep. */
export function fractionToClock(fraction: number, sweep: Sweep): string {
  return degreesToClock(fractionToDegrees(fraction, sweep));
}

/** Every readable position of the sweep, as fractions from 0 to 1 in rising order, both ends included. */
export function readableFractions(sweep: Sweep): number[] {
  const start = clockToDegrees(sweep.from);
  const whole = sweepDegrees(sweep);
  const step = (readableClockMinutes / 60) * degreesAnHour;
  const first = Math.ceil(start / step - 1e-9) * step - start;
  const found = new Set<number>([0, 1]);
  for (let turned = first; turned <= whole + 1e-9; turned += step)
    found.add(Math.min(1, Math.round((turned / whole) * 1e9) / 1e9));
  return [...found].sort((a, b) => a - b);
}

/** A dial's position as it is told to people: clock time, and fraction of its sweep. "2:30, 75 %". */
export function clockText(clock: string, sweep: Sweep): string {
  return `${clock}, ${Math.round(clockToFraction(clock, sweep) * 100)} %`;
}

/**
 * A dial's position as someone types it: a clock time ("2:30", "230"), or a part of its sweep ("65 %"). Undefined for
 * what is neither, or lies outside the sweep.
 */
export function readClock(typed: string, sweep: Sweep): string | undefined {
  const percent = /^(\d{1,3}(?:[.,]\d+)?)\s*%$/.exec(typed.trim());
  if (percent) {
    const part = Number(percent[1]!.replace(",", ".")) / 100;
    return part <= 1 ? fractionToClock(part, sweep) : undefined;
  }
  const time = /^(\d{1,2})(?:[:.h]?([0-5]\d))?$/.exec(typed.trim());
  const clock = time && `${Number(time[1])}:${time[2] ?? "00"}`;
  if (!clock || !isClock(clock)) return undefined;
  const turned = (clockToDegrees(clock) - clockToDegrees(sweep.from) + 360) % 360;
  return turned <= sweepDegrees(sweep) + 1e-9 ? clock : undefined;
}

/** The readable position of a dial that is nearest to an angle: where a finger or a pointer drags its arrow. */
export function clockNear(degrees: Degrees, sweep: Sweep): string {
  const apart = (fraction: number) => {
    const turned = Math.abs(fractionToDegrees(fraction, sweep) - degrees) % 360;
    return Math.min(turned, 360 - turned);
  };
  const [nearest = 0] = readableFractions(sweep).sort((a, b) => apart(a) - apart(b));
  return fractionToClock(nearest, sweep);
}

/** The readable position after this one, or before it; at either end it stays. */
export function clockBeside(clock: string, sweep: Sweep, by: 1 | -1): string {
  const at = clockToFraction(clock, sweep);
  const all = readableFractions(sweep);
  const next = by > 0 ? all.find((each) => each > at + 1e-9) : all.findLast((each) => each < at - 1e-9);
  return fractionToClock(next ?? at, sweep);
}
