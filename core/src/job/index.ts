export { boardOnSite, checkJob, checkLog, parseBundle, profileOf } from "./bundle.ts";
export type { JobBundle } from "./bundle.ts";
export type { Move, StateEffect } from "./effect.ts";
export { draftJob } from "./draft.ts";
export { draftInstance, leavesLike, withSurvey } from "./site.ts";
export { spurCoreId, upgradeEntry } from "./migrate.ts";
export { bundleSchema, jobFormat, jobSchema, leafIds, logEntrySchema } from "./schema.ts";
export type { Cable, DeviceInstance, Job, Leaf, LeafId, LogEntry, StepEntry } from "./schema.ts";
