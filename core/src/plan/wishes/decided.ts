import {
  behaviour,
  behaviourText,
  settableBehaviours,
  wordsSet,
  type BehaviourId,
  type BehaviourValue,
  type BoardInput,
} from "../../board/index.ts";
import { behavioursAt, foundPositions } from "../../controls/index.ts";
import type { JobBundle } from "../../job/index.ts";
import { count, listed, plainNumber } from "../../quantity/index.ts";
import { testWish } from "../../state/index.ts";
import { isSwitchedOff, settingsOf, type WiringPlan } from "../../wiring/index.ts";

/** A behaviour that the site or the wiring decides, with why. */
export interface Decision {
  id: BehaviourId;
  value: BehaviourValue;
  why: string;
  /** A wish gives way to it, unless the job overrules it; the others only stand in where nothing is wished. */
  firm: boolean;
}

const inputText = ({ label, terminal }: BoardInput) => `${label} (${terminal})`;

/** Devices by the input they sit on. */
function sitting({ placements }: WiringPlan): Map<string, string[]> {
  const on = new Map<string, string[]>();
  for (const { demand, place } of placements)
    if (place?.kind === "input")
      on.set(place.input.id, [...(on.get(place.input.id) ?? []), demand.device.name]);
  return on;
}

/**
 * Settings that switch inputs off: an input that something sits on must count, so one found off is given the first word
 * that lets it; off are only those which no such input shares.
 */
function inputDecisions({ board, job }: JobBundle, wiring: WiringPlan): Decision[] {
  const on = sitting(wiring);
  const used = new Set(on.keys());
  const found = behavioursAt(board, foundPositions(board, job.found));
  return board.inputs.flatMap((input): Decision[] => {
    if (!input.off) return [];
    const { behaviour: id, is } = input.off;
    if (used.has(input.id)) {
      const counts = wordsSet(board, id).find((word) => word !== is);
      if (found[id] !== is || counts === undefined) return [];
      const why = `${listed(on.get(input.id)!)} sits on ${inputText(input)}: it must count.`;
      return [{ id, value: counts, why, firm: false }];
    }
    if (!isSwitchedOff(board, input, used)) return [];
    return [{ id, value: is, why: `Nothing sits on ${inputText(input)}.`, firm: true }];
  });
}

/** Inputs whose use a setting chooses: it is set for what sits on them. */
function useDecisions({ placements }: WiringPlan): Decision[] {
  return placements.flatMap(({ demand, place }): Decision[] => {
    if (demand.kind !== "contact" || place?.kind !== "input" || !place.input.chosenBy) return [];
    const { behaviour: id, rows } = place.input.chosenBy;
    const row = rows.find(({ takes }) => takes.includes(demand.contact.duty));
    const why = `${demand.device.name} sits on ${inputText(place.input)}.`;
    return row ? [{ id, value: row.is, why, firm: true }] : [];
  });
}

/** How the drives find the ends of their travel. */
function limitDecisions({ board }: JobBundle, wiring: WiringPlan): Decision[] {
  const settable = settableBehaviours(board);
  const drive = wiring.devices.find(({ profile }) => profile.limits);
  const limits = drive?.profile.limits;
  if (!drive || !limits) return [];
  const firm = false;
  const oneCore = limits === "one-core";
  const value = oneCore ? "switches" : limits;
  const why = `${drive.name} finds its ends by ${behaviourText("limit-sensing", value)}${oneCore ? ", both on one core" : ""}.`;
  return [
    ...(settable.has("limit-sensing") ? [{ id: "limit-sensing" as const, value, why, firm }] : []),
    ...(oneCore && settable.has("limit-wiring")
      ? [{ id: "limit-wiring" as const, value: "one-core", why, firm }]
      : []),
  ];
}

const openings = {
  "pedestrian-opening": "pedestrian-opening-mm",
  "pedestrian-opening-mm": "pedestrian-opening",
} as const;

/** A pedestrian opening that is wished by its width where the board takes a part of the travel, or the other way round. */
function openingDecisions({ board, job }: JobBundle): Decision[] {
  const settable = settableBehaviours(board);
  const travel = Math.min(...job.survey.leaves.map(({ travelMm }) => travelMm ?? Infinity));
  return (Object.keys(openings) as (keyof typeof openings)[]).flatMap((id): Decision[] => {
    const wished = job.wishes[openings[id]];
    if (!settable.has(id) || settable.has(openings[id]) || typeof wished !== "number" || travel === Infinity)
      return [];
    const value =
      id === "pedestrian-opening" ? Math.min(100, (100 * wished) / travel) : (wished * travel) / 100;
    const why = `${behaviourText(openings[id], wished)} of ${plainNumber(travel)} mm of travel.`;
    return [{ id, value: Math.round(value), why, firm: true }];
  });
}

/** Everything that the site and the wiring decide by themselves, with the reason. */
export function decisionsOf(bundle: JobBundle, wiring: WiringPlan): Decision[] {
  const { board, job } = bundle;
  const tested = testWish(wiring, board);
  const { leaves } = job.survey;
  const wired = Object.entries(settingsOf(board, wiring.placements)) as [BehaviourId, BehaviourValue][];
  return [
    ...inputDecisions(bundle, wiring),
    ...(tested === undefined
      ? []
      : [
          {
            id: "photocell-test" as const,
            value: tested,
            why: tested
              ? "Every sender is wired so that it can be tested."
              : "No sender is wired for a test.",
            firm: false,
          },
        ]),
    ...wired.map(([id, value]) => ({
      ...{ id, value, firm: false },
      why: `${behaviour(id).label} follows from what is wired there.`,
    })),
    ...limitDecisions(bundle, wiring),
    ...useDecisions(wiring),
    ...openingDecisions(bundle),
    ...(board.leaves > 1
      ? [
          {
            id: "leaf-count" as const,
            value: leaves.length,
            why: `The survey has ${count(leaves.length, "leaf", "leaves")}.`,
            firm: true,
          },
        ]
      : []),
  ];
}
