export { comeOf, courseOf, happens, lookSeconds, stepOf, type Course, type Played } from "./course.ts";
export { plays } from "./play.ts";
export { engineVersion, runFormat, runSchema, type Run, type RunDone } from "./schema.ts";
