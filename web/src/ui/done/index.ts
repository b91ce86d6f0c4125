export { did, forgetDone, takeBackLast } from "./done.ts";
export { DoneNotices } from "./done-notices.tsx";
