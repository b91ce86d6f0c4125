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
  Revisions,
  SessionState,
  StoredJob,
  Whereabouts,
} from "./bodies.ts";
export { pathParameter, routes } from "./routes.ts";
export type { Route } from "./routes.ts";
