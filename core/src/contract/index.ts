export {
  boardsSchema,
  boardUsesSchema,
  devicesSchema,
  healthSchema,
  importedSchema,
  jobsPageSchema,
  logPageSchema,
  newJobSchema,
  newSessionSchema,
  presetsSchema,
  problemSchema,
  whereaboutsSchema,
  revisionsSchema,
  sessionSchema,
  storedJobSchema,
} from "./bodies.ts";
export type {
  BoardUse,
  DeviceCatalogue,
  JobsPage,
  JobSummary,
  LogPage,
  NewJob,
  PresetCatalogue,
  Revisions,
  SessionState,
  StoredJob,
  Whereabouts,
} from "./bodies.ts";
export { pathParameter, routes } from "./routes.ts";
export type { Route } from "./routes.ts";
