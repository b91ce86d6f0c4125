export { boardOnSite, checkJob, parseBundle, profileOf } from "./bundle.ts";
export type { JobBundle } from "./bundle.ts";
export type { Move, StateEffect } from "./effect.ts";
export { closingKinds, isClosed, lastClosingOf, mayAppend, stillTaken } from "./closed.ts";
export { assumedCable, assumedLeaf, leafMeasures } from "./assumed.ts";
export { surveyNeeds, surveyWants } from "./wanted.ts";
export type { SurveyWant } from "./wanted.ts";
export { undoEdits } from "./undo.ts";
export { copyJob, copyTitle } from "./copy.ts";
export type { CopyOf } from "./copy.ts";
export { draftJob } from "./draft.ts";
export { applyEdit, editSchema } from "./edit.ts";
export type { JobEdit } from "./edit.ts";
export { parsePreset, presetOf, presetSchema, presetWishes, readPreset } from "./preset.ts";
export type { Preset } from "./preset.ts";
export { customaryStarts } from "./draft.ts";
export { draftInstance, leavesLike, withSurvey } from "./site.ts";
export { spurCoreId, upgradeEntry, upgradeJob } from "./migrate.ts";
export { checkLog, logReader } from "./log.ts";
export { bundleSchema, jobFormat, jobSchema, leafIds, logEntrySchema, mechanics } from "./schema.ts";
export type {
  Cable,
  DeviceInstance,
  Job,
  Leaf,
  LeafId,
  LogEntry,
  Mechanic,
  OpenFinding,
  SettingsEntry,
  StepEntry,
} from "./schema.ts";
