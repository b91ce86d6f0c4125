import type { JobPlan } from "../../plan/index.ts";
import { ranStep, type Ran, type Step } from "../../runsheet/index.ts";

const played = new WeakMap<JobPlan, Map<string, Ran>>();

/** A step of a plan's sheet as it is played: once, for all that look at it. */
export function ranOnce(plan: JobPlan, { id }: Step): Ran {
  const rans = played.get(plan) ?? new Map<string, Ran>();
  played.set(plan, rans);
  const ran = rans.get(id) ?? ranStep(plan, plan.sheet, id)!;
  rans.set(id, ran);
  return ran;
}
