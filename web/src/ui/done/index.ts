export { did, forgetDone, takeBackLast } from "./done.ts";
export { DoneNotices } from "./notices.tsx";
