import type { Phase, Program } from "./schema/index.ts";
import { memoriesIn } from "./lookup.ts";

/** Every phase of a program, those of its cycles included. */
export function phasesOf({ phases }: Pick<Program, "phases">): Phase[] {
  return phases.flatMap((phase) => [phase, ...(phase.phases ? phasesOf({ phases: phase.phases }) : [])]);
}

/** Modes a program enters. */
export const modesOf = (program: Program): string[] => phasesOf(program).flatMap(({ mode }) => mode ?? []);

/** Memories in which a program puts something. */
export const learnedBy = (program: Program): string[] =>
  phasesOf(program).flatMap(({ learn, add }) => [...memoriesIn(learn), ...(add ? [add] : [])]);

/** Memories from which a program takes something. */
export const forgottenBy = (program: Program): string[] =>
  phasesOf(program).flatMap(({ forget, drop }) => [...memoriesIn(forget), ...(drop ? [drop] : [])]);
