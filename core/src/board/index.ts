export { behaviour, behaviourIds, behaviourMisfit, behaviourText } from "./behaviour.ts";
export type { BehaviourId, BehaviourValue } from "./behaviour.ts";
export { checkBoard, namesOf } from "./check/index.ts";
export { partText, setsText } from "./describe.ts";
export { boardFacts, boardWords } from "./facts.ts";
export type { Fact } from "./facts.ts";
export { cardsInSlots, deliveredCards, fitBoard, usualUse, withCards } from "./fit.ts";
export type { Fitting } from "./fit.ts";
export { edgeOf, layoutFaults, layoutOf, overlaps, sizes, sizeToFit, textWidth } from "./layout/index.ts";
export type { Box, FaceLayout, PlacedBlock, PlacedPart, Point } from "./layout/index.ts";
export {
  commonTerminals,
  controlName,
  entryName,
  displayPositions,
  handlesOf,
  labelsOf,
  lampOfInput,
  memoriesIn,
  menuValues,
  bankText,
  nearestText,
  positionTexts,
  railText,
  currentText,
  givesBeside,
  positionsText,
  readBank,
  selectorsOf,
  switchIds,
  terminalOf,
  terminalsOf,
  travelMemories,
} from "./lookup.ts";
export type { MenuValue, Selector, Terminal } from "./lookup.ts";
export { migrateBoard } from "./migrate.ts";
export {
  leafName,
  leafWords,
  movingThing,
  opensByAngle,
  purposeLabel,
  releasedCaution,
  slotName,
  theLeaf,
} from "./purpose.ts";
export { programText } from "./program-text.ts";
export { inspectBoard, parseBoard, readBoard } from "./read.ts";
export { boardJsonSchema, boardReference, formatKeys } from "./reference.ts";
export * from "./schema/index.ts";
export {
  bothLeaves,
  actText,
  checkGesture,
  gestureSchema,
  actWord,
  conditionBecause,
  conditionHolds,
  conditionInstead,
  conditionMust,
  conditionParts,
  conditionText,
  gestureText,
  heldBy,
  inputAsked,
  provedMoving,
  provingText,
  reactionMoments,
  reactionsOf,
  touchedBy,
} from "./words/index.ts";
export { once, onceFor } from "./once.ts";
export { canSet, settableBehaviours, wordsSet } from "./settable.ts";
export { blankBoard, headingOf, printBoard, withHeading } from "./source.ts";
export type { Heading } from "./source.ts";
