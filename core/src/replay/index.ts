export { parseRunFile, runFileSchema, type RunFile } from "./file.ts";
export { benchFrom, planRuns, playOn, replay } from "./replay.ts";
export { trialOf, type Trial } from "./trial.ts";
export { casesOf, parseSweep, sweepFileSchema, sweeps, toldOf, type RunSweep, type Told } from "./sweep.ts";
