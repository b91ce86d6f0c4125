export type { Probes } from "./planner.ts";
export { createPlanQueue } from "./queue.ts";
export { PlannerProvider, useAnswer, usePlanner } from "./use-planner.ts";
