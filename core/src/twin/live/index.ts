export { fillFrame, frameLayout, readFrame } from "./frame.ts";
export type { Frame, FrameLayout, LeafFrame, MoverFrame } from "./frame.ts";
export { shortestHold } from "./hands.ts";
export type { LiveAct } from "./hands.ts";
export { Session } from "./session.ts";
export type { LiveStart } from "./session.ts";
