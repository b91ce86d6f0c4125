export { lookSeconds, playRun, plays, type Played } from "./play.ts";
export { engineVersion, runFormat, runSchema, type Run, type RunDone } from "./schema.ts";
