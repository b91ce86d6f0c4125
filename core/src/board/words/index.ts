export * from "./basic.ts";
export {
  checkCondition,
  conditionBecause,
  conditionHolds,
  conditionInstead,
  conditionMust,
  conditionSchema,
  conditionText,
  inputAsked,
} from "./condition.ts";
export type { Condition } from "./condition.ts";
export { checkGesture, gestureSchema, gestureText, heldBy, touchedBy } from "./gesture.ts";
export type { Gesture } from "./gesture.ts";
export type { Circumstances, Labels, Names } from "./names.ts";
export { provedMoving, provingText, reactionMoments, reactionSchema, refusedAtRest } from "./reaction.ts";
export type { ReactionMoment } from "./reaction.ts";
export { known, unique } from "./report.ts";
export type { Report } from "./report.ts";
