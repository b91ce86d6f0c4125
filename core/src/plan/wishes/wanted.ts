import type { BehaviourId, BehaviourValue } from "../../board/index.ts";
import { ofPairs } from "../../controls/index.ts";
import type { JobBundle } from "../../job/index.ts";
import type { WiringPlan } from "../../wiring/index.ts";
import { decisionsOf, type Decision } from "./decided.ts";

type Wanted = Partial<Record<BehaviourId, BehaviourValue>>;

/**
 * What is wanted, with what the site settles by itself: a wish gives way to a firm decision unless the job overrules it,
 * and other decisions stand in where nothing is wished. Of one leaf nothing is wanted that only a pair has.
 */
export function wishesOf(
  bundle: JobBundle,
  wiring: WiringPlan,
  decisions: readonly Decision[] = decisionsOf(bundle, wiring),
): Wanted {
  const { wishes, survey, overruled = [] } = bundle.job;
  const own = Object.entries(wishes).filter(
    ([id]) => survey.leaves.length > 1 || !ofPairs.includes(id as BehaviourId),
  );
  const taken = (firm: boolean) =>
    decisions
      .filter((each) => each.firm === firm && !(firm && overruled.includes(each.id)))
      .map(({ id, value }) => [id, value]);
  return Object.fromEntries([...taken(false), ...own, ...taken(true)]) as Wanted;
}
