import type { Circumstances } from "../board/index.ts";

/** A board by itself with power, every input at rest, that has learned everything or nothing yet. */
export const panelAlone = (learned: boolean): Circumstances => ({
  power: (on) => on,
  reads: (_, as) => as === "closed",
  learned: (_, yes) => yes === learned,
  mode: () => false,
  pending: (yes) => !yes,
  behaviour: () => false,
  control: () => false,
  fitted: () => false,
  leaf: (where) => where === "closed",
  supply: (from) => from === "mains",
  battery: (is) => is === "good",
  timer: () => false,
  fault: () => false,
});
