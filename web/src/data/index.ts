export { bundleAddress, createJob, getJson, importBundle, jobsKey } from "./api.ts";
export type { JobSummary } from "./api.ts";
export { differences } from "./differences.ts";
export { HighlightProvider, isLit, useHighlight, useLights } from "./highlight.tsx";
export { JobProvider, useJobBench, useJobParts } from "./job.tsx";
export type { SaveState } from "./saver.ts";
