export { rereads, twinDoes, twinOf, twinRuns } from "./twin.ts";
export { tickSeconds, type Twin } from "./types.ts";
