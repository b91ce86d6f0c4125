export { Lead } from "./lead.ts";
export type { LeadNow } from "./lead.ts";
