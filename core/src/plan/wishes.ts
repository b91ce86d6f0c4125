import { settableBehaviours, type BehaviourId, type BehaviourValue } from "../board/index.ts";
import type { JobBundle } from "../job/index.ts";
import { testWish } from "../state/index.ts";
import { sensingWord, type WiringPlan } from "../wiring/index.ts";

/** Wishes without those that only a pair of leaves can have. */
function withoutPair(wishes: JobBundle["job"]["wishes"]): JobBundle["job"]["wishes"] {
  const pair: readonly string[] = ["leaf-delay-opening", "leaf-delay-closing", "leaves-meet"];
  return Object.fromEntries(Object.entries(wishes).filter(([id]) => !pair.includes(id)));
}

/**
 * What is wanted, with what the site settles by itself: the number of leaves, how the drives find the ends of travel, and
 * what its edges give, and that inputs which stay empty are switched off where a setting can do it.
 */
export function wishesOf(
  bundle: JobBundle,
  wiring: WiringPlan,
): Partial<Record<BehaviourId, BehaviourValue>> {
  const { board, job } = bundle;
  const settable = settableBehaviours(board);
  const used = new Set(
    wiring.placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])),
  );
  const off = board.inputs.flatMap((input) =>
    input.off && !input.link && !used.has(input.id) ? [[input.off.behaviour, input.off.is] as const] : [],
  );
  const limits = wiring.devices.find((device) => device.profile.limits)?.profile.limits;
  const sensing = limits === "one-core" ? "switches" : limits;
  const edge = wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && place.input.setBy.includes("edge-sensing")
      ? [sensingWord(demand.contact)]
      : [],
  )[0];
  const tested = testWish(wiring, board);
  const relays = wiring.placements.flatMap(({ place }) =>
    place?.kind === "relay" && place.output.setBy ? [[place.output.setBy, place.task] as const] : [],
  );
  return {
    ...(tested === undefined ? {} : { "photocell-test": tested }),
    ...Object.fromEntries(relays),
    ...(edge ? { "edge-sensing": edge } : {}),
    ...(sensing && settable.has("limit-sensing") ? { "limit-sensing": sensing } : {}),
    ...(limits === "one-core" && settable.has("limit-wiring") ? { "limit-wiring": "one-core" } : {}),
    ...(job.survey.leaves.length > 1 ? job.wishes : withoutPair(job.wishes)),
    ...Object.fromEntries(off),
    ...(board.leaves > 1 ? { "leaf-count": job.survey.leaves.length } : {}),
  };
}
