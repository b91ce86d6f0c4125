import { planJob, type JobPlan } from "../plan/index.ts";
import { plays, type Played, type Run } from "../twin/index.ts";
import type { RunFile } from "./file.ts";

/** A job planned for its runs: once, however many are played on it. */
export const planRuns = ({ bundle }: Pick<RunFile, "bundle">): JobPlan => planJob(bundle);

/** Plays a run on a planned job to its end. */
export function playOn(plan: JobPlan, run: Run): Played {
  const playing = plays(plan, run.from === "done" ? plan.ahead : plan.now, run);
  for (;;) {
    const step = playing.next();
    if (step.done) return step.value;
  }
}

/** Plays a saved run to its end. */
export const replay = (file: RunFile): Played => playOn(planRuns(file), file.run);
