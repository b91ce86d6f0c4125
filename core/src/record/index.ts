export { makeRecord, standingFindings } from "./record.ts";
export type { SettingRow, SiteRecord } from "./record.ts";
export { nextServiceDay } from "./from-log.ts";
export type { HandOverRow, NoteRow, PassRow, ResultRow } from "./from-log.ts";
