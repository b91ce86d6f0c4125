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
  JobsPage,
  JobSummary,
  LogPage,
  NewJob,
  Whereabouts,
  SessionState,
  StoredJob,
} from "./bodies.ts";
export { pathParameter, routes } from "./routes.ts";
export type { Route } from "./routes.ts";
