export { entriesReached, keyPath, openingOf, wayToEntry } from "./path.ts";
export type { Change, KeyPath } from "./path.ts";
export type { KeyStep } from "./steps.ts";
export { planVisit } from "./visit.ts";
export type { KeyVisit } from "./visit.ts";
export { keysAt, menuKeysThatMove } from "./keys.ts";
export type { KeyMeaning } from "./keys.ts";
export { locate, nearestScreens, tellApart } from "./locate.ts";
export type { LookNext } from "./locate.ts";
