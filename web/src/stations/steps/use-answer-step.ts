import { readingMisfit, type Step, type StepEntry } from "@anvilcloud/core";
import { useRef, useState } from "react";

/** How a card may be answered, and what the answer carries. */
interface Parts {
  step: Step;
  /** The answer the step has already. */
  entry: Pick<StepEntry, "outcome" | "note" | "readings"> | undefined;
  /** True while the step takes no "seen": a gate stands before it, or it came under the finger just now. */
  waits: boolean;
  send: (outcome: StepEntry["outcome"], extra: Pick<StepEntry, "note" | "readings">) => void;
  /** Called at once when a step was seen: its answer is on its way and belongs to this card. */
  onSeen: () => void;
}

/** A step's card as far as it is no drawing: what was typed, what is missing, and its answers. */
export interface StepAnswer {
  note: string;
  setNote: (note: string) => void;
  /** One value for each reading that is asked for, in their order. */
  values: readonly (number | undefined)[];
  setValue: (at: number, value: number | undefined) => void;
  /** What is wrong with each reading; a missing one is told once it was asked for. */
  readingErrors: readonly (string | undefined)[];
  /** True while the meanings of "not seen" are open. */
  why: boolean;
  setWhy: (why: boolean) => void;
  say: (outcome: StepEntry["outcome"]) => void;
}

/**
 * Answers a step: every reading that is asked for must be there and within its limits before the step counts as seen. A
 * seen step leads on at once and takes no second answer on its way out.
 */
export function useAnswerStep({ step, entry, waits, send, onSeen }: Parts): StepAnswer {
  const asked = step.readings ?? [];
  const [note, setNote] = useState(entry?.note ?? "");
  const [values, setValues] = useState<readonly (number | undefined)[]>(() =>
    asked.map(({ quantity }) => entry?.readings?.find((each) => each.quantity === quantity)?.value),
  );
  const [why, setWhy] = useState(entry?.outcome === "not-seen");
  const [pressed, setPressed] = useState(false);
  const done = useRef(false);

  const misfits = asked.map((reading, at) =>
    values[at] === undefined ? undefined : readingMisfit(reading, values[at]),
  );
  const missing = asked.map((_, at) => values[at] === undefined);

  function say(outcome: StepEntry["outcome"]): void {
    if (done.current || (outcome === "seen" && waits)) return;
    if (outcome === "seen" && (missing.includes(true) || misfits.some(Boolean))) return setPressed(true);
    const readings = asked.flatMap(({ quantity, unit }, at) => {
      const value = values[at];
      return value === undefined ? [] : [{ quantity, value, unit }];
    });
    send(outcome, {
      ...(note.trim() ? { note: note.trim() } : {}),
      ...(readings.length && outcome !== "withdrawn" ? { readings } : {}),
    });
    setWhy(outcome === "not-seen");
    if (outcome !== "seen") return;
    done.current = true;
    onSeen();
  }

  return {
    note,
    setNote,
    values,
    setValue: (at, value) => setValues((now) => asked.map((_, each) => (each === at ? value : now[each]))),
    readingErrors: asked.map(
      (_, at) => misfits[at] ?? (pressed && missing[at] ? "Write the reading first." : undefined),
    ),
    why,
    setWhy,
    say,
  };
}
