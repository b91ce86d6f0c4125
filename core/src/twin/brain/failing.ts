import type { Failing } from "../../board/index.ts";
import { say, type Brain, type Which } from "./brain.ts";
import { abort } from "./program.ts";
import { stop } from "./run.ts";

/** The code a board has for what it finds wrong by itself; undefined where it has none. */
export const codeFor = ({ board }: Brain, what: Failing, leaf?: Which): string | undefined =>
  board.codes.find(({ tells, leaf: of }) => tells === what && (of === undefined || of === leaf))?.code;

/** The board finds something wrong: what moves stops, a program is broken off, and it shows its code for that. */
export function findsWrong(brain: Brain, what: Failing, leaf?: Which): void {
  const code = codeFor(brain, what, leaf);
  say(brain, {
    kind: "fails",
    what,
    ...(leaf === undefined ? {} : { leaf }),
    ...(code === undefined ? {} : { code }),
  });
  if (brain.running) abort(brain, code);
  else stop(brain);
  if (code !== undefined) brain.fault = code;
}
