export { lookSeconds, plays, type Played } from "./play.ts";
export { engineVersion, runFormat, runSchema, type Run } from "./schema.ts";
