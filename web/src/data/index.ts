export {
  boardKey,
  boardsKey,
  boardSourceAddress,
  boardUseKey,
  bundleAddress,
  createJob,
  getJson,
  getText,
  importBundle,
  jobKey,
  jobsKey,
  postBoard,
  postDevice,
  putJob,
} from "./api.ts";
export { differences } from "./differences.ts";
export { useWarnBeforeLeaving } from "./leaving.ts";
export { HighlightProvider, isLit, useHighlight, useLights } from "./highlight.tsx";
export { JobProvider, useJobBench, useJobParts } from "./job.tsx";
export type { SaveState } from "./saver.ts";
export type { Unstored } from "./use-log-sender.ts";
