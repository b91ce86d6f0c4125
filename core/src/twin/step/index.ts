export { rereads, tickSeconds, twinDoes, twinOf, twinRuns, type Twin } from "./twin.ts";
