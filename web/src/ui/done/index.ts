export { did, forgetDone } from "./done.ts";
export { DoneNotices } from "./notices.tsx";
