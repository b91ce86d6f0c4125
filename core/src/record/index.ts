export { makeRecord } from "./record.ts";
export type { ResultRow, SettingRow, SiteRecord } from "./record.ts";
