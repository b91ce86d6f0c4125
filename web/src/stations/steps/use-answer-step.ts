import { readingMisfit, type Step, type StepEntry } from "@anvilcloud/core";
import { useRef, useState } from "react";
import { AnsweredElsewhere } from "../../data/index.ts";

/** How a card may be answered, and what the answer carries. */
interface Parts {
  step: Step;
  /** The answer the step has already. */
  entry: StepEntry | undefined;
  send: (outcome: StepEntry["outcome"], extra: Pick<StepEntry, "note" | "reading">) => Promise<void>;
  /** Called once a step was seen and the answer is stored. */
  onSeen: () => void;
}

/** A step's card as far as it is no drawing: what was typed, what is missing, and its answers. */
export interface StepAnswer {
  note: string;
  setNote: (note: string) => void;
  value: number | undefined;
  setValue: (value: number | undefined) => void;
  /** What is wrong with the reading, once it was asked for. */
  readingError: string | undefined;
  /** True while the meanings of "not seen" are open. */
  why: boolean;
  setWhy: (why: boolean) => void;
  /** Someone else's answer that this one met, and the answer it was. */
  conflict: { theirs: StepEntry; mine: StepEntry["outcome"] } | undefined;
  /** Leaves the other's answer as it stands. */
  keepTheirs: () => void;
  say: (outcome: StepEntry["outcome"]) => Promise<void>;
}

/**
 * Answers a step: a reading that is asked for must be there and within its limits before the step counts as seen; one
 * answer is sent at a time; what cannot be stored leaves everything that was typed where it is.
 */
export function useAnswerStep({ step, entry, send, onSeen }: Parts): StepAnswer {
  const [note, setNote] = useState(entry?.note ?? "");
  const [value, setValue] = useState(entry?.reading?.value);
  const [why, setWhy] = useState(entry?.outcome === "not-seen");
  const [asked, setAsked] = useState(false);
  const [conflict, setConflict] = useState<StepAnswer["conflict"]>();
  const answering = useRef(false);

  const misfit = step.reading && value !== undefined ? readingMisfit(step.reading, value) : undefined;
  const missing = step.reading !== undefined && value === undefined;

  async function say(outcome: StepEntry["outcome"]): Promise<void> {
    if (outcome === "seen" && (missing || misfit)) return setAsked(true);
    if (answering.current) return;
    answering.current = true;
    const reading =
      step.reading && value !== undefined && outcome !== "withdrawn"
        ? { quantity: step.reading.quantity, value, unit: step.reading.unit }
        : undefined;
    try {
      await send(outcome, {
        ...(note.trim() ? { note: note.trim() } : {}),
        ...(reading ? { reading } : {}),
      });
    } catch (error) {
      // The save mark says why; the card stays so that nothing typed is lost.
      answering.current = false;
      if (error instanceof AnsweredElsewhere) setConflict({ theirs: error.theirs, mine: outcome });
      return;
    }
    // Seen leads on to another card: this one takes no second answer on its way out.
    answering.current = outcome === "seen";
    setConflict(undefined);
    setWhy(outcome === "not-seen");
    if (outcome === "seen") onSeen();
  }

  return {
    note,
    setNote,
    value,
    setValue,
    readingError: misfit ?? (asked && missing ? "Write the reading first." : undefined),
    why,
    setWhy,
    conflict,
    keepTheirs: () => setConflict(undefined),
    say,
  };
}
