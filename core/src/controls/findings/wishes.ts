import {
  behaviour,
  behaviourText,
  conditionMust,
  labelsOf,
  positionsText,
  settableBehaviours,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
} from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { listed } from "../../quantity/index.ts";
import { isDiscrete, type Wishes } from "../fit.ts";
import { kinOf } from "../kin.ts";
import type { GivenBehaviour, PlannedControl } from "../planned.ts";
import { behavioursAt, isLive, type Positions } from "../positions.ts";
import { conflictsOf, type Conflict } from "../solve/conflicts.ts";
import type { Knob } from "../solve/knobs.ts";
import { controlSubjects } from "../subjects.ts";

/** Numbers this near to one another are the same: half of what is shown of them. */
const alike = 0.05;

const wishText = (id: BehaviourId, value: BehaviourValue | undefined) =>
  `${behaviour(id).label.toLowerCase()} ${value === undefined ? "not given" : behaviourText(id, value)}`;

const about = (board: BoardProfile, control: PlannedControl, ids: readonly BehaviourId[]) => [
  ...controlSubjects(board, control),
  ...ids.map((id) => ({ kind: "behaviour" as const, id })),
];

const roundedWhy: Record<PlannedControl["kind"], string> = {
  dials: "A dial is set by eye to a quarter of an hour on the clock.",
  switches: "Switches give a few fixed values.",
  values: "The entry goes in steps.",
};

/** A number that is not given to the tenth: between two steps, or beyond the ends. */
function numberFinding(
  board: BoardProfile,
  control: PlannedControl,
  knob: Knob,
  { behaviour: id, wanted, given }: GivenBehaviour,
): Finding[] {
  if (typeof wanted !== "number" || typeof given !== "number" || Math.abs(wanted - given) < alike) return [];
  const can = knob.stands.flatMap(({ gives }) => (typeof gives[id] === "number" ? [gives[id]] : []));
  const [least, most] = [Math.min(...can), Math.max(...can)];
  const values = {
    behaviour: behaviour(id).label,
    wanted: behaviourText(id, wanted),
    given: behaviourText(id, given),
    control: control.label,
    clock: control.planned.join(", "),
  };
  if (wanted < least - alike || wanted > most + alike)
    return [
      finding("value-out-of-reach", about(board, control, [id]), {
        ...values,
        least: behaviourText(id, least),
        most: behaviourText(id, most),
      }),
    ];
  return [
    finding("value-rounded", about(board, control, [id]), { ...values, reason: roundedWhy[control.kind] }),
  ];
}

/** A word that the control has not at all. */
function wordFinding(
  board: BoardProfile,
  control: PlannedControl,
  knob: Knob,
  { behaviour: id, wanted, given }: GivenBehaviour,
): Finding[] {
  if (wanted === undefined || knob.stands.some(({ gives }) => gives[id] === wanted)) return [];
  const offers = [
    ...new Set(knob.stands.flatMap(({ gives }) => (gives[id] === undefined ? [] : [gives[id]]))),
  ];
  return [
    finding("value-not-offered", about(board, control, [id]), {
      behaviour: behaviour(id).label,
      wanted: behaviourText(id, wanted),
      control: control.label,
      offers: listed(offers.map((each) => behaviourText(id, each))),
      given: given === undefined ? "none of them" : behaviourText(id, given),
    }),
  ];
}

/** Wishes that fight over the control: the least set, and what becomes of each where the others are given. */
function conflictFinding(
  board: BoardProfile,
  control: PlannedControl,
  wishes: Wishes,
  { wishes: ids, instead }: Conflict,
): Finding {
  return finding("wishes-conflict", about(board, control, ids), {
    control: control.label,
    wishes: listed(ids.map((id) => wishText(id, wishes[id]))),
    stands: positionsText(board, control.parts, control.planned),
    alternatives: instead
      .map(({ without, given, at }) => {
        const kept = listed(ids.filter((id) => id !== without).map((id) => wishText(id, wishes[id])));
        const lost = `${behaviour(without).label.toLowerCase()} ${given === undefined ? "is not given" : `becomes ${behaviourText(without, given)}`}`;
        return `Keep ${kept || "the rest"}, and ${lost} (${positionsText(board, control.parts, at)}).`;
      })
      .join(" "),
  });
}

/** What a planned control cannot give as wanted: rounding, reach, words it lacks, and wishes that fight over it. */
export function controlFindings(
  board: BoardProfile,
  control: PlannedControl,
  { wishes, positions, knob }: { wishes: Wishes; positions: Positions; knob: Knob | undefined },
): Finding[] {
  if (control.neededBy !== undefined)
    return [
      finding("control-needed", controlSubjects(board, control), {
        control: control.label,
        stands: positionsText(board, control.parts, control.planned),
        dial: control.neededBy,
      }),
    ];
  if (!knob || control.gives.every(({ wanted }) => wanted === undefined)) return [];
  // Trap 46: a dial that something is wanted of and that another setting keeps dead; the same of an entry that is hidden.
  if (knob.live && !isLive(knob.live, positions, behavioursAt(board, positions)))
    return [
      finding("dial-not-live", controlSubjects(board, control), {
        dial: control.label,
        reason: conditionMust(knob.live, labelsOf(board)),
      }),
    ];
  const conflicts = conflictsOf(knob, wishes);
  const fought = new Set(conflicts.flatMap((each) => each.wishes));
  return [
    ...control.gives
      .filter(({ behaviour: id }) => !fought.has(id))
      .flatMap((each) =>
        (isDiscrete(each.behaviour) ? wordFinding : numberFinding)(board, control, knob, each),
      ),
    ...conflicts.map((conflict) => conflictFinding(board, control, wishes, conflict)),
  ];
}

/** Wishes that two controls of the board carry: both are set, for which of them counts is not known. */
export function twiceFindings(
  board: BoardProfile,
  controls: readonly PlannedControl[],
  wishes: Wishes,
): Finding[] {
  return (Object.keys(wishes) as BehaviourId[]).flatMap((id): Finding[] => {
    const carry = controls.filter(({ gives }) => gives.some((each) => each.behaviour === id));
    if (wishes[id] === undefined || carry.length < 2) return [];
    return [
      finding(
        "set-in-two-places",
        [...carry.flatMap((control) => controlSubjects(board, control)), { kind: "behaviour", id }],
        {
          behaviour: behaviour(id).label,
          controls: listed(carry.map(({ label }) => label)),
        },
      ),
    ];
  });
}

/** Wishes that no control of the board carries; what the board does by itself as wanted is none. */
export function unsettableFindings(board: BoardProfile, wishes: Wishes): Finding[] {
  const settable = settableBehaviours(board);
  return (Object.keys(wishes) as BehaviourId[]).flatMap((id): Finding[] => {
    const [wanted, fixed] = [wishes[id], board.fixed[id]];
    if (wanted === undefined || settable.has(id) || wanted === fixed) return [];
    const kin = kinOf(id).filter((each) => settable.has(each));
    const nearest = kin.length
      ? `This board can set ${listed(kin.map((each) => behaviour(each).label.toLowerCase()))}; wish that instead.`
      : "Check that the board does it by itself, or drop the wish.";
    const values = { behaviour: behaviour(id).label, wanted: behaviourText(id, wanted) };
    return [
      fixed === undefined
        ? finding("behaviour-not-settable", [{ kind: "behaviour", id }], { ...values, nearest })
        : finding("fixed-otherwise", [{ kind: "behaviour", id }], {
            ...values,
            given: behaviourText(id, fixed),
          }),
    ];
  });
}
