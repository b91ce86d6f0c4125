export {
  clockBeside,
  clockNear,
  clockToDegrees,
  clockText,
  clockToFraction,
  degreesToClock,
  fractionToClock,
  fractionToDegrees,
  isClock,
  readClock,
  readableFractions,
  sweepDegrees,
  sweepPassesNoon,
} from "./clock.ts";
export type { Degrees, Sweep } from "./clock.ts";
export { conductorOhms, conductorSizesMm2, copperRatio, loopDropVolts } from "./conductor.ts";
export { extraLowVolts } from "./extra-low.ts";
export { count, listed, ownId, plainNumber, sentence, spanText } from "./format.ts";
export {
  conductorText,
  gaugeFor,
  gaugeMm2,
  inUnits,
  measureText,
  metric,
  quantityText,
  readMeasure,
  unitShown,
} from "./measure.ts";
export type { Units } from "./measure.ts";
export { chanceOf, numberOf } from "./random.ts";
export type { Chance } from "./random.ts";
export { cosine, radians, sine } from "./trig.ts";
export { countWork, watchWork, type Work } from "./work.ts";
