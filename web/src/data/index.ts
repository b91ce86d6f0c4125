export {
  ApiError,
  boardKey,
  boardRevisionsKey,
  boardsKey,
  boardSourceAddress,
  boardUseKey,
  bundleAddress,
  copyJob,
  createJob,
  devicesKey,
  getJson,
  getText,
  importBundle,
  jobKey,
  jobsKey,
  overviewKey,
  placeJob,
  postBoard,
  postDevice,
  postPreset,
  presetsKey,
  putJob,
  removeBoard,
  removeDevice,
  removeJob,
  removePreset,
  sessionKey,
  signIn,
  signOut,
  whereaboutsKey,
} from "./api.ts";
export type { ImportAs } from "./api.ts";
export { noteRecent, recent } from "./recent.ts";
export { offered, useOffers } from "./offers.ts";
export type { Offer } from "./offers.ts";
export { differences } from "./differences.ts";
export { useWarnBeforeLeaving } from "./leaving.ts";
export { OnTheWayProvider, useOnTheWay } from "./on-the-way.ts";
export { HighlightProvider, isLit, useHighlight, useLights } from "./highlight.tsx";
export { JobProvider, useJobBench, useJobParts } from "./job.tsx";
export { tellSignedIn, tellSignedOut, useSignedOut } from "./signed-out.ts";
export type { SaveState } from "./saver.ts";
export type { Unstored } from "./use-log-sender.ts";
