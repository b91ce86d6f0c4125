import type { JobBundle, LogEntry, Mechanic, StateEffect, StepEntry } from "../job/index.ts";
import { entryEffects, outcomes } from "../state/index.ts";
import type { Named, Step, VoidBy } from "./step.ts";

/** An answer that no longer holds, with why, a sentence each. */
export interface Voided {
  entry: StepEntry;
  reasons: string[];
}

/** What was said of each step as far as it still holds, and what a later change has made void. */
export interface Answers {
  holds: Map<string, StepEntry>;
  voided: Map<string, Voided>;
}

/** Facts that were other when the step was answered. */
function changed({ rests = [] }: Step, entry: StepEntry): string[] {
  if (!entry.rests) return [];
  const then = new Map(entry.rests.map(({ fact, is }) => [fact, is]));
  return rests.flatMap(({ fact, is }) => {
    const was = then.get(fact);
    return was === undefined || was === is ? [] : [`${fact}: ${was} became ${is}.`];
  });
}

/** Changes at the leaf and its drive, as they are told. */
export const mechanicTexts: Record<Mechanic, string> = {
  spring: "A spring was changed or set",
  limit: "A limit was moved",
  hinge: "Hinges or rollers were mended",
  belt: "The belt or chain was changed or tightened",
  leaf: "The leaf was changed",
  drive: "A drive was exchanged",
};

/** Why one effect makes an answer void; undefined where it does not. */
function voiding({ learned, forgotten, moved }: VoidBy, effect: StateEffect): string | undefined {
  const named = (list: readonly Named[] = [], id: string) => list.find((each) => each.id === id)?.name;
  switch (effect.kind) {
    case "learn": {
      const name = named(learned, effect.what);
      return name && `${name} was learned anew since.`;
    }
    case "forget": {
      const name = named(forgotten, effect.what);
      return name && `${name} was forgotten since.`;
    }
    case "move": {
      const touched = effect.moves.flatMap(({ pin }) => named(moved, pin.device) ?? [])[0];
      return touched && `Cores of ${touched} were moved since.`;
    }
    default:
      return undefined;
  }
}

/** Controls that stand otherwise than planned after all that happened since; one that was put back counts as if untouched. */
function leftOtherwise({ controls = [] }: VoidBy, effects: readonly StateEffect[]): string[] {
  return controls.flatMap(({ id, name, kind, at }) => {
    const stands = effects.flatMap((effect) => (effect.kind === kind ? (effect.to[id] ?? []) : [])).at(-1);
    return stands === undefined || stands === at ? [] : [`${name} was set to ${stands} since.`];
  });
}

/** What happened after the answer and makes it void. */
function happened(
  { voidBy }: Step,
  entry: StepEntry,
  log: readonly LogEntry[],
  effectsOf: (entry: LogEntry) => readonly StateEffect[],
): string[] {
  if (!voidBy) return [];
  const later = log.slice(log.findIndex(({ id }) => id === entry.id) + 1);
  const effects = later.flatMap(effectsOf);
  const mechanics = later.flatMap((each) =>
    each.kind === "mechanical" && voidBy.mechanics?.includes(each.what)
      ? [`${mechanicTexts[each.what]} since.`]
      : [],
  );
  return [
    ...effects.flatMap((effect) => voiding(voidBy, effect) ?? []),
    ...leftOtherwise(voidBy, effects),
    ...mechanics,
  ];
}

/** Holds every answer of a log against the sheet: a seen step whose grounds have changed is open again. */
export function answersOf({
  sheet,
  bundle: { board, log },
}: {
  sheet: readonly Step[];
  bundle: Pick<JobBundle, "board" | "log">;
}): Answers {
  const effectsOf = (entry: LogEntry) => entryEffects(board, entry);
  const holds = outcomes(log);
  const voided = new Map<string, Voided>();
  for (const step of sheet) {
    const entry = holds.get(step.id);
    if (entry?.outcome !== "seen") continue;
    const reasons = [...new Set([...changed(step, entry), ...happened(step, entry, log, effectsOf)])];
    if (!reasons.length) continue;
    holds.delete(step.id);
    voided.set(step.id, { entry, reasons });
  }
  return { holds, voided };
}
