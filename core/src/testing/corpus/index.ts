export { planOf } from "./cases.ts";
export { sampleSeconds, type Sample, type Recording } from "./recorder.ts";
export { corpusTable, recordingsOf, runsOf, type Tripped } from "./runs.ts";
export { ranOnce } from "./sheets.ts";
