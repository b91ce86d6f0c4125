export { makeRecord, standingFindings } from "./record.ts";
export type { SettingRow, SiteRecord } from "./record.ts";
export { jobStanding, jobStandings } from "./standing.ts";
export type { JobStanding } from "./standing.ts";
export { nextServiceDay } from "./from-log.ts";
export type { HandOverRow, NoteRow, PassRow, ResultRow } from "./from-log.ts";
