export { parseRunFile, type RunFile } from "./file.ts";
export { planRuns, playsOn, replay } from "./replay.ts";
export { casesOf, parseSweep, sweeps, toldOf, type RunSweep, type Told } from "./sweep.ts";
