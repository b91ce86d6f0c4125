export * from "./basic.ts";
export * from "./leaf.ts";
export {
  checkCondition,
  conditionBecause,
  conditionHolds,
  conditionInstead,
  conditionMust,
  conditionParts,
  conditionText,
  inputAsked,
} from "./condition.ts";
export { conditionSchema, type Condition } from "./condition-schema.ts";
export { checkGesture, gestureSchema, gestureText, heldBy, sendsSchema, touchedBy } from "./gesture.ts";
export type { Gesture } from "./gesture.ts";
export type { Circumstances, Labels, Names } from "./names.ts";
export {
  actOf,
  actText,
  actWord,
  provedMoving,
  provingText,
  reactionMoments,
  reactionSchema,
  reactionsOf,
  refusedAtRest,
} from "./reaction.ts";
export type { Act, ActWord, Reaction, ReactionMoment } from "./reaction.ts";
export { known, unique } from "./report.ts";
export type { Report } from "./report.ts";
