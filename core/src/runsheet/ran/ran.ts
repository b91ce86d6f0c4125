import type { LampLook, LampState, Planned } from "../../state/index.ts";
import { lookSeconds } from "../../twin/index.ts";
import type { Seen, Step } from "../step.ts";
import { movementsIn, movesTold, setsOff, type Movement, type Samples } from "./moves.ts";
import { playStep, type Amiss, type StepPlayed } from "./play.ts";
import { heard, lampsSeen } from "./seen.ts";

/** A step as the moving installation makes it, with this job's wiring, settings and leaves. */
export interface Ran {
  /** How long its gestures took, and what they set off, s. */
  seconds: number;
  /** Everything that should be seen of it and heard: lamps with their reasons, display, movements, sounds. */
  see: Seen[];
  movements: Movement[];
  /** Its movements, in sentences with their seconds. */
  moves: string[];
  /** Where each leaf was, every `lookSeconds` of the step. */
  samples: Samples;
  /** What is shown once it is done, or while a contact is tripped. */
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  display: string;
}

/** Movements of a step that have come to their end, and those that go on in the next one, told. */
export function movesOf(planned: Planned, { course, samples }: StepPlayed): Pick<Ran, "movements" | "moves"> {
  const over = (samples.first?.length ?? 0) * lookSeconds;
  const movements = movementsIn(samples);
  const { run } = course.twin.brain;
  const stand = movements.filter(({ ends }) => !run || ends < over - lookSeconds * 1.5);
  const moves = movesTold(planned, stand);
  return { movements, moves: run ? [...moves, setsOff(planned, run.toward)] : moves };
}

/** Plays a step of a sheet on the moving installation; undefined where the sheet has no such step. */
export function ranStep(
  planned: Planned,
  sheet: readonly Step[],
  id: string,
  amiss: readonly Amiss[] = [],
): Ran | undefined {
  const at = sheet.findIndex((step) => step.id === id);
  const step = sheet[at];
  if (!step) return undefined;
  const made = playStep(planned, sheet, at, { amiss });
  const { before, after, seconds, samples, events } = made;
  const { movements, moves } = movesOf(planned, made);
  // What its menus show while a value is set is the profile's to say.
  const display = step.shows ?? after.display;
  const text = (said: string): Seen => ({ kind: "text", text: said });
  const see = [
    ...lampsSeen(planned, step, made),
    ...(display && display !== before.display ? [{ kind: "display" as const, text: display }] : []),
    ...[...moves, ...heard(events), ...(step.alsoSee ?? [])].map(text),
  ];
  return {
    ...{ seconds, movements, moves, samples, display },
    ...{ lamps: after.lamps, looks: after.looks },
    see: see.length ? see : [text("At its end the board shows what it showed before.")],
  };
}
