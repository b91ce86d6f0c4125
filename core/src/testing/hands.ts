import type { Gesture } from "../board/index.ts";
import { brainDoes } from "../twin/brain/index.ts";
import { twinDoes, twinRuns, type Twin } from "../twin/step/index.ts";

/** Makes these gestures at a board on its site. */
export const does = (it: Twin, ...gestures: Gesture[]) => {
  for (const gesture of gestures) twinDoes(it, (brain) => void brainDoes(brain, gesture));
};
/** Lets it run until its leaves stand, or so many seconds at most. */
export const rests = (it: Twin, most = 200) => {
  for (let n = 0; n < most * 10 && (n < 2 || it.brain.run); n += 1) twinRuns(it, 0.1);
};
/** Commands it, and waits until it stands. */
export const goes = (it: Twin, command: "open" | "close" | "step") => {
  does(it, { command });
  rests(it);
};
/** What has happened at it, kind by kind. */
export const kinds = ({ brain }: Twin) => brain.events.map(({ kind }) => kind);
