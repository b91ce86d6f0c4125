import {
  answersOf,
  gatesBefore,
  type Answers,
  type Gate,
  type Station,
  type Step,
  type StepEntry,
} from "@anvilcloud/core";
import { useMemo } from "react";
import { useJobBench } from "../../data/index.ts";

/** The run sheet with what was said of each step. */
export interface Steps {
  all: readonly Step[];
  of: (station: Station) => readonly Step[];
  said: ReadonlyMap<string, StepEntry>;
  /** Answers that a later change has made void. */
  voided: Answers["voided"];
  /** What stands before a step, told from the log as it is at hand. */
  gates: (step: Step) => Gate[];
  /** The step after or before this one, over station borders. */
  beside: (id: string, move: 1 | -1) => Step | undefined;
  /** The next step after this one that nobody has answered. */
  nextOpen: (id?: string) => Step | undefined;
}

export function useSteps(): Steps {
  const { plan, log } = useJobBench();
  return useMemo(() => {
    const all = plan.sheet;
    const { holds: said, voided } = answersOf({ sheet: all, bundle: { ...plan.bundle, log } });
    const { dangers } = plan;
    const { readings } = plan.layers.now.face;
    const gated = { bundle: { ...plan.bundle, log }, sheet: all, dangers, readings };
    const at = (id?: string) => all.findIndex((step) => step.id === id);
    return {
      all,
      said,
      voided,
      gates: (step) => gatesBefore(gated, step),
      of: (station) => all.filter((step) => step.station === station),
      beside: (id, move) => all[at(id) + move],
      nextOpen: (id) => all.slice(at(id) + 1).find((step) => said.get(step.id)?.outcome !== "seen"),
    };
  }, [plan, log]);
}
