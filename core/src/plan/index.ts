export { onRevision, revisionEffect } from "./compare.ts";
export type { RevisionEffect } from "./compare.ts";
export { practiceBundle } from "./practice.ts";
export { planJob } from "./plan.ts";
export type { JobPlan, PlanStage } from "./plan.ts";
export { showBoard, showPlan } from "./shown.ts";
export type { BenchLayer, BoardMoment, ShownBench, ShownPlan } from "./shown.ts";
export type { WishLine } from "./wishes/index.ts";
