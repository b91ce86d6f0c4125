import type { StepEntry } from "../job/index.ts";
import type { Step } from "./step.ts";

/** Who answers, when, and the entry's own id. */
export interface Stamp {
  id: string;
  /** ISO 8601, UTC. */
  at: string;
  by: string;
}

/** The log entry that answers a step. A step that was seen done carries its effects, so that the log alone tells the bench. */
export function answerStep(
  step: Step,
  outcome: StepEntry["outcome"],
  stamp: Stamp,
  extra: Pick<StepEntry, "note" | "readings" | "drawnFrom"> = {},
): StepEntry {
  return {
    ...stamp,
    kind: "step",
    step: step.id,
    station: step.station,
    title: step.title,
    outcome,
    effects: outcome === "seen" ? [...step.effects] : [],
    ...(step.rests?.length && outcome !== "withdrawn" ? { rests: [...step.rests] } : {}),
    ...extra,
  };
}
