import { applyEffect, outcomes, type BenchState, type Planned } from "../state/index.ts";
import type { Step } from "./step.ts";

/**
 * The bench as it will be once the steps after the last answered one are done. What was passed over, or not seen, stays
 * as it is: what is wrong here is wrong and not merely still ahead.
 */
export function stateAhead(planned: Planned, sheet: readonly Step[], now: BenchState): BenchState {
  const said = outcomes(planned.bundle.log);
  const last = sheet.findLastIndex((step) => !step.begun && said.has(step.id));
  const ahead = sheet
    .slice(last + 1)
    // What was begun because it was needed is made good again by the steps that it opens.
    .filter(({ begun }) => !begun)
    .flatMap((step) => step.effects)
    .reduce(applyEffect, now);
  // A core that was found somewhere is not landed once more by a step that is still ahead.
  return { ...ahead, sits: { ...ahead.sits, ...now.sits } };
}
