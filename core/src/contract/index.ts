export {
  boardsSchema,
  boardUsesSchema,
  devicesSchema,
  healthSchema,
  importedSchema,
  jobsPageSchema,
  logSchema,
  newJobSchema,
  problemSchema,
  revisionsSchema,
  storedJobSchema,
} from "./bodies.ts";
export type { BoardUse, JobsPage, JobSummary, NewJob, StoredJob } from "./bodies.ts";
export { pathParameter, routes } from "./routes.ts";
export type { Route } from "./routes.ts";
