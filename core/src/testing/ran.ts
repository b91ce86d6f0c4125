import type { JobPlan } from "../plan/index.ts";
import { ranStep, type Ran, type Step } from "../runsheet/index.ts";

/** A step of a plan by the beginning of its id, as it is played. */
export function ranOf(plan: JobPlan, start: string): Ran {
  const step = plan.sheet.find((each) => each.id.startsWith(start));
  const ran = step && ranStep(plan, plan.sheet, step.id);
  if (!ran) throw new Error(`no step ${start}`);
  return ran;
}

/** What is told in sentences of what should be seen. */
export const textsOf = ({ see }: Pick<Ran, "see">): string[] =>
  see.flatMap((seen) => (seen.kind === "text" ? [seen.text] : []));

/** The lamps that change or are looked at, by their labels. */
export const lampsOf = ({ see }: Pick<Ran, "see">) =>
  Object.fromEntries(see.flatMap((seen) => (seen.kind === "lamp" ? [[seen.label, seen.is]] : [])));

/** What a profile and the job tell of a step, beside what is played. */
export const saidOf = ({ alsoSee = [] }: Pick<Step, "alsoSee">): string => alsoSee.join(" ");
