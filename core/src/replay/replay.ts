import { planJob, type JobPlan } from "../plan/index.ts";
import { plays, type Played, type Run } from "../twin/index.ts";
import { applyEffect, stateAsFound, type BenchState } from "../state/index.ts";
import type { RunFile } from "./file.ts";

/** A job planned for its runs: once, however many are played on it. */
export const planRuns = ({ bundle }: Pick<RunFile, "bundle">): JobPlan => planJob(bundle);

/** The bench from which a run of a planned job begins. */
export function benchFrom(plan: JobPlan, from: Run["from"]): BenchState {
  switch (from) {
    case "now":
      return plan.now;
    case "done":
      // Whoever is done leaves it closed, whatever was proved last.
      return { ...plan.ahead, leaf: "closed" };
    case "wired":
      return plan.sheet
        .filter(({ station }) => station === "wire")
        .flatMap(({ effects }) => effects)
        .reduce(applyEffect, stateAsFound(plan.bundle));
  }
}

/** Plays a run on a planned job to its end. */
export function playOn(plan: JobPlan, run: Run): Played {
  const playing = plays(plan, benchFrom(plan, run.from), run);
  for (;;) {
    const step = playing.next();
    if (step.done) return step.value;
  }
}

/** Plays a saved run to its end. */
export const replay = (file: RunFile): Played => playOn(planRuns(file), file.run);
