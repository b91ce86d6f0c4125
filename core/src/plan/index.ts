export { onRevision, revisionEffect } from "./compare.ts";
export type { RevisionEffect } from "./compare.ts";
export { planJob } from "./plan.ts";
export type { JobPlan } from "./plan.ts";
