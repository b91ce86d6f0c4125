import { plainNumber } from "./format.ts";

/** The units someone reads and writes; what is stored is SI whatever they are. */
export interface Units {
  /** Millimetres, metres, kilograms and newtons; or feet and inches, pounds and pounds of force. */
  system: "metric" | "imperial";
  /** Conductors by their cross-section, or by American wire gauge. */
  conductors: "mm2" | "awg";
}

export const metric: Units = { system: "metric", conductors: "mm2" };

/** An inch in mm, exactly; a pound in kg, exactly. International yard and pound agreement, 1959. */
const mmPerInch = 25.4;
const kgPerPound = 0.45359237;
/** Standard gravity, m/s². 3rd CGPM, 1901. */
const gravity = 9.80665;
const newtonsPerPound = kgPerPound * gravity;

type Kind = "length" | "mass" | "force" | "plain";

const kindOf = (unit: string): Kind =>
  unit === "mm" || unit === "m" ? "length" : unit === "kg" ? "mass" : unit === "N" ? "force" : "plain";

/** The fraction of an inch that is read and written. */
const inchParts = 8;

function eighths(parts: number): string {
  if (parts === 0) return "";
  let [over, under] = [parts, inchParts];
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${over}/${under}`;
}

/** A length as feet, inches and eighths: 1 800 mm is 5′ 10 7/8″. */
function feetText(mm: number): string {
  const all = Math.round((Math.abs(mm) / mmPerInch) * inchParts);
  const feet = Math.floor(all / (12 * inchParts));
  const inches = Math.floor(all / inchParts) % 12;
  const part = eighths(all % inchParts);
  const inchText = [...(inches || !part ? [String(inches)] : []), ...(part ? [part] : [])].join(" ");
  const sign = mm < 0 ? "−" : "";
  return feet ? `${sign}${feet}′ ${inchText}″` : `${sign}${inchText}″`;
}

/** American wire gauges that conductors are sold in, with their cross-section in mm²; thickest first. ASTM B258, from memory. */
const gauges = [
  [8, 8.366],
  [10, 5.261],
  [12, 3.309],
  [14, 2.081],
  [16, 1.309],
  [18, 0.8231],
  [20, 0.5176],
  [22, 0.3255],
] as const;

/** Cross-section of a gauge, mm²; undefined for one that is not sold. */
export const gaugeMm2 = (gauge: number): number | undefined => gauges.find(([each]) => each === gauge)?.[1];

/** The thinnest gauge that is sold and is no thinner than a cross-section in mm². */
export const gaugeFor = (sizeMm2: number): number =>
  ([...gauges].reverse().find(([, mm2]) => mm2 >= sizeMm2) ?? gauges[0])[0];

/** A conductor's size as someone reads it: "1.5 mm²", or "AWG 14". */
export const conductorText = (sizeMm2: number, { conductors }: Units): string =>
  conductors === "awg" ? `AWG ${gaugeFor(sizeMm2)}` : `${plainNumber(sizeMm2, 2)} mm²`;

/** What is read beside a field: the unit its number stands in when none is written. */
export function unitShown(unit: string, { system }: Units): string {
  if (system === "metric") return unit;
  switch (kindOf(unit)) {
    case "length":
      return unit === "m" ? "ft and in" : "ft, in";
    case "mass":
      return "lb";
    case "force":
      return "lbf";
    case "plain":
      return unit;
  }
}

/** A stored value as its field shows it, without its unit where the field says which. */
export function measureText(value: number, unit: string, units: Units): string {
  if (units.system === "metric") return plainNumber(value, 2);
  switch (kindOf(unit)) {
    case "length":
      return feetText(unit === "m" ? value * 1_000 : value);
    case "mass":
      return plainNumber(value / kgPerPound, 1);
    case "force":
      return plainNumber(value / newtonsPerPound, 1);
    case "plain":
      return plainNumber(value, 2);
  }
}

/** A stored value with its unit, as it is read: "1800 mm", "5′ 10 7/8″", "264.6 lb", "AWG 14". */
export function quantityText(value: number, unit: string, units: Units): string {
  if (unit === "mm²") return conductorText(value, units);
  const text = measureText(value, unit, units);
  if (units.system === "metric" || kindOf(unit) === "plain") return `${text} ${unit}`;
  return kindOf(unit) === "length" ? text : `${text} ${unitShown(unit, units)}`;
}

/** Units that can be written behind a number, in the unit that is stored. */
const written: Record<Exclude<Kind, "plain">, readonly [RegExp, number][]> = {
  length: [
    [/^(mm|millimet(er|re)s?)$/, 1],
    [/^(cm|centimet(er|re)s?)$/, 10],
    [/^(m|met(er|re)s?)$/, 1_000],
    [/^("|″|''|in|inch|inches)$/, mmPerInch],
    [/^('|′|ft|foot|feet)$/, 12 * mmPerInch],
  ],
  mass: [
    [/^(kg|kilos?|kilograms?)$/, 1],
    [/^(g|grams?)$/, 0.001],
    [/^(t|tonnes?)$/, 1_000],
    [/^(lbs?|pounds?|#)$/, kgPerPound],
  ],
  force: [
    [/^(n|newtons?)$/, 1],
    [/^(kn)$/, 1_000],
    [/^(lbf|lbs?|pounds?)$/, newtonsPerPound],
    [/^(kgf|kp)$/, gravity],
  ],
};

/** A number as people write it: "1800", "1 800", "1,5", "10 7/8", "1/2". */
function numberOfText(text: string): number | undefined {
  const parts = /^(-?\d[\d\s]*(?:[.,]\d+)?)?\s*(?:(\d+)\s*\/\s*(\d+))?$/.exec(text.trim());
  if (!parts || (parts[1] === undefined && parts[2] === undefined)) return undefined;
  // "10 7/8" is ten and seven eighths; a space among digits of one number is its thousands'.
  const whole = parts[1] === undefined ? 0 : Number(parts[1].replace(/\s/g, "").replace(",", "."));
  const [over, under] = [Number(parts[2] ?? 0), Number(parts[3] ?? 1)];
  return under === 0 ? undefined : whole + over / under;
}

/** Finest step of what is stored: a reading in other units is rounded to it. */
const finest: Readonly<Record<string, number>> = { mm: 1, m: 0.01, kg: 0.1, N: 1 };

/** What a field's number means where no unit is written. */
function bareFactor(unit: string, units: Units): number {
  if (units.system === "metric" || kindOf(unit) === "plain") return unit === "m" ? 1_000 : 1;
  switch (kindOf(unit)) {
    case "length":
      return unit === "m" ? 12 * mmPerInch : mmPerInch;
    case "mass":
      return kgPerPound;
    default:
      return newtonsPerPound;
  }
}

const examples: Record<Kind, string> = {
  length: `1800, 1.8 m, 5' 11" or 71 in`,
  mass: "120, 120 kg or 265 lb",
  force: "400, 400 N or 90 lbf",
  plain: "90",
};

/**
 * Reads a measure as someone wrote it, in any unit of its kind: a number alone stands in the unit the field shows, feet and
 * inches follow one another. Empty is undefined.
 * @returns its value in the unit that is stored, or what is wrong with it in a sentence
 */
export function readMeasure(
  text: string,
  unit: string,
  units: Units,
): { value: number | undefined } | { wrong: string } {
  const clean = text.trim().toLowerCase();
  if (clean === "") return { value: undefined };
  const kind = kindOf(unit);
  const wrong = { wrong: `Expected ${examples[kind]}; found “${text.trim()}”.` };
  const bare = numberOfText(clean);
  const inStored = (value: number) => (unit === "m" ? value / 1_000 : value);
  if (bare !== undefined) {
    const value = inStored(bare * bareFactor(unit, units));
    return { value: units.system === "metric" ? value : rounded(value, unit) };
  }
  if (kind === "plain") return wrong;
  let sum = 0;
  let last = Number.POSITIVE_INFINITY;
  const pieces = clean.matchAll(/(-?[\d\s.,/]*\d)\s*([a-z#"′″']+)\s*/g);
  let read = 0;
  for (const [whole, digits = "", name = "", ..._] of pieces) {
    const number = numberOfText(digits);
    const factor = written[kind].find(([word]) => word.test(name))?.[1];
    // Feet come before inches, and nothing twice.
    if (number === undefined || factor === undefined || factor >= last) return wrong;
    sum += number * factor;
    last = factor;
    read += whole.length;
  }
  if (read !== clean.length || read === 0) return wrong;
  return { value: rounded(inStored(sum), unit) };
}

function rounded(value: number, unit: string): number {
  const step = finest[unit] ?? 0.01;
  return Number((Math.round(value / step) * step).toFixed(3));
}

/** Numbers with a unit as sentences of the core have them. */
const inSentence = /(?<![\w.])(\d+(?:\.\d+)?)( to (\d+(?:\.\d+)?))? (mm²|mm|m|kg|N)(?![\w·²/])/g;

/** A sentence with its measures in someone's units; what is a designation of a part stays. */
export function inUnits(text: string, units: Units): string {
  if (units.system === "metric" && units.conductors === "mm2") return text;
  return text.replace(inSentence, (all, from: string, _to: string, to: string | undefined, unit: string) => {
    const stays = unit === "mm²" ? units.conductors === "mm2" : units.system === "metric";
    if (stays) return all;
    const one = (value: string) => quantityText(Number(value), unit, units);
    return to === undefined ? one(from) : `${one(from)} to ${one(to)}`;
  });
}
