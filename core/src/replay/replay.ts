import { planJob, type JobPlan } from "../plan/index.ts";
import { plays, type Played, type Run } from "../twin/index.ts";
import type { RunFile } from "./file.ts";

/** A job planned for its runs: once, however many are played on it. */
export const planRuns = ({ bundle }: Pick<RunFile, "bundle">): JobPlan => planJob(bundle);

/** Plays a run on a planned job, part by part; each part tells how much of it is done. */
export const playsOn = (plan: JobPlan, run: Run): Generator<number, Played> =>
  plays(plan, run.from === "done" ? plan.ahead : plan.now, run);

/** Plays a saved run to its end. */
export function replay(file: RunFile): Played {
  const playing = playsOn(planRuns(file), file.run);
  for (;;) {
    const step = playing.next();
    if (step.done) return step.value;
  }
}
