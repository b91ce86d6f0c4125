export type { LiveGiven, LiveHost, LiveInfo, LiveNews, LivePast } from "./live/host.ts";
export { LiveProvider, useLiveMaker } from "./live/use-live.ts";
export type { Probes } from "./planner.ts";
export { createPlanQueue } from "./queue.ts";
export { PlannerProvider, useAnswer, usePlanner } from "./use-planner.ts";
