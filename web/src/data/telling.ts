import { applyEdit, undoEdits, type Job, type JobEdit, type Step, type StepEntry } from "@anvilcloud/core";
import { useEffect, useRef } from "react";
import { did } from "../ui/index.ts";

/** Answers a step. */
export type Say = (
  step: Step,
  outcome: StepEntry["outcome"],
  extra?: Pick<StepEntry, "note" | "readings">,
) => void;

/** How edits and answers are made so that they can be taken back: each says what was done, and keeps the way back. */
export function useTelling(job: Job, change: (edit: JobEdit) => void, say: Say) {
  // What is taken back later stands on the log as it is then.
  const latest = useRef(say);
  useEffect(() => {
    latest.current = say;
  });
  return {
    changeAndTell: (edits: readonly JobEdit[], done: string): void => {
      let now = job;
      const back: JobEdit[] = [];
      for (const edit of edits) {
        back.unshift(...(undoEdits(now, edit) ?? []));
        now = applyEdit(now, edit);
        change(edit);
      }
      did(done, () => back.forEach(change));
    },
    /** An answer taken back is an entry of its own that withdraws it; a withdrawal is not taken back. */
    answer: ((step, outcome, extra) => {
      say(step, outcome, extra);
      if (outcome !== "withdrawn")
        did(`“${step.title}”: ${outcome === "seen" ? "seen" : "not seen"}.`, () =>
          latest.current(step, "withdrawn"),
        );
    }) satisfies Say,
  };
}
