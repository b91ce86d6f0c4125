import { settableBehaviours, wordsSet, type BehaviourId, type BehaviourValue } from "../board/index.ts";
import { behavioursAt, foundPositions } from "../controls/index.ts";
import type { JobBundle } from "../job/index.ts";
import { testWish } from "../state/index.ts";
import { isSwitchedOff, settingsOf, type WiringPlan } from "../wiring/index.ts";

/** Wishes without those that only a pair of leaves can have. */
function withoutPair(wishes: JobBundle["job"]["wishes"]): JobBundle["job"]["wishes"] {
  const pair: readonly string[] = ["leaf-delay-opening", "leaf-delay-closing", "leaves-meet"];
  return Object.fromEntries(Object.entries(wishes).filter(([id]) => !pair.includes(id)));
}

type Given = Partial<Record<BehaviourId, BehaviourValue>>;

/**
 * Settings that switch inputs off: an input that something sits on must count, so one found off is given the first word
 * that lets it; off are only those which no such input shares.
 */
function inputWishes({ board, job }: JobBundle, { placements }: WiringPlan): { on: Given; off: Given } {
  const used = new Set(placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])));
  const found = behavioursAt(board, foundPositions(board, job.found));
  const on: Given = {};
  const off: Given = {};
  for (const input of board.inputs) {
    if (!input.off || !used.has(input.id)) continue;
    const { behaviour, is } = input.off;
    const counts = wordsSet(board, behaviour).find((word) => word !== is);
    if (found[behaviour] === is && counts !== undefined) on[behaviour] = counts;
  }
  for (const input of board.inputs)
    if (input.off && !used.has(input.id) && isSwitchedOff(board, input, used))
      off[input.off.behaviour] = input.off.is;
  return { on, off };
}

/** Inputs whose use a setting chooses: it is set for what sits on them. */
function useWishes({ placements }: WiringPlan): Given {
  return Object.fromEntries(
    placements.flatMap(({ demand, place }) => {
      if (demand.kind !== "contact" || place?.kind !== "input" || !place.input.chosenBy) return [];
      const { behaviour, rows } = place.input.chosenBy;
      const row = rows.find(({ takes }) => takes.includes(demand.contact.duty));
      return row ? [[behaviour, row.is]] : [];
    }),
  );
}

/**
 * What is wanted, with what the site settles by itself: the number of leaves, how the drives find the ends of travel,
 * what its edges give, what an input is used for, that inputs with something on them count, and that empty ones are switched off where a setting
 * can do it.
 */
export function wishesOf(bundle: JobBundle, wiring: WiringPlan): Given {
  const { board, job } = bundle;
  const settable = settableBehaviours(board);
  const inputs = inputWishes(bundle, wiring);
  const limits = wiring.devices.find((device) => device.profile.limits)?.profile.limits;
  const sensing = limits === "one-core" ? "switches" : limits;
  const tested = testWish(wiring, board);
  return {
    ...inputs.on,
    ...(tested === undefined ? {} : { "photocell-test": tested }),
    ...settingsOf(board, wiring.placements),
    ...(sensing && settable.has("limit-sensing") ? { "limit-sensing": sensing } : {}),
    ...(limits === "one-core" && settable.has("limit-wiring") ? { "limit-wiring": "one-core" } : {}),
    ...(job.survey.leaves.length > 1 ? job.wishes : withoutPair(job.wishes)),
    ...inputs.off,
    ...useWishes(wiring),
    ...(board.leaves > 1 ? { "leaf-count": job.survey.leaves.length } : {}),
  };
}
