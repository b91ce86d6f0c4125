import {
  behaviour,
  behaviourText,
  conditionMust,
  labelsOf,
  displayPositions,
  menuValues,
  settableBehaviours,
  touchedBy,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
  type SetsValue,
} from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { clockToFraction, fractionToClock, listed, plainNumber } from "../quantity/index.ts";
import { behavioursOf, isDiscrete, type Wishes } from "./fit.ts";
import type { GivenBehaviour, PlannedControl } from "./planned.ts";
import {
  behavioursAt,
  dialGives,
  dialLives,
  movedControls,
  safeFractions,
  valueGives,
  zoneAt,
  controlKinds,
  type Positions,
} from "./positions.ts";
import { controlSubject, controlSubjects } from "./subjects.ts";

const textOf = (id: BehaviourId, value: BehaviourValue | undefined) =>
  value === undefined ? "nothing" : behaviourText(id, value);

/** What a control can give, part by part: a dial's zones, a menu entry's number or choices, the rows of switches. */
function partsOf(board: BoardProfile, control: PlannedControl): { sets: Record<string, SetsValue> }[] {
  if (control.kind === "dials") return board.dials.find((each) => each.id === control.id)?.zones ?? [];
  if (control.kind === "switches")
    return board.settings.find((each) => each.of.join("+") === control.id)?.rows ?? [];
  const item = menuValues(board).find((each) => each.item.id === control.id)?.item;
  return item?.number ? [item.number] : (item?.choices ?? []);
}

/** The least and most a control gives of a behaviour, over the parts that set it. */
function reach(
  parts: readonly { sets: Record<string, SetsValue> }[],
  id: BehaviourId,
): { least: number; most: number } | undefined {
  const ends = parts.flatMap((part) => {
    const sets = part.sets[id];
    if (typeof sets === "object") return [sets.from, sets.to];
    return typeof sets === "number" ? [sets] : [];
  });
  return ends.length ? { least: Math.min(...ends), most: Math.max(...ends) } : undefined;
}

const roundedWhy: Record<PlannedControl["kind"], string> = {
  dials: "A dial is set by eye to a quarter of an hour on the clock.",
  switches: "Switches give a few fixed values.",
  values: "The entry goes in steps.",
};

function numberFinding(
  board: BoardProfile,
  control: PlannedControl,
  { behaviour: id, wanted, given }: GivenBehaviour,
): Finding[] {
  if (
    isDiscrete(id) ||
    typeof wanted !== "number" ||
    typeof given !== "number" ||
    Math.abs(wanted - given) < 0.05
  )
    return [];
  const range = reach(partsOf(board, control), id);
  const values = {
    behaviour: behaviour(id).label,
    wanted: textOf(id, wanted),
    given: textOf(id, given),
    control: control.label,
    clock: control.planned.join(", "),
    reason: roundedWhy[control.kind],
  };
  const subjects = [...controlSubjects(board, control), { kind: "behaviour" as const, id }];
  if (range && (wanted < range.least - 0.05 || wanted > range.most + 0.05))
    return [
      finding("value-out-of-reach", subjects, {
        ...values,
        least: textOf(id, range.least),
        most: textOf(id, range.most),
      }),
    ];
  return [finding("value-rounded", subjects, values)];
}

/** Trap 46: a dial that something is wanted of and that another setting keeps dead. */
function deadDial(board: BoardProfile, control: PlannedControl, positions: Positions): Finding[] {
  const dial = control.kind === "dials" ? board.dials.find((each) => each.id === control.id) : undefined;
  if (!dial?.live || dialLives(dial, positions, behavioursAt(board, positions))) return [];
  return [
    finding("dial-not-live", controlSubjects(board, control), {
      dial: control.label,
      reason: conditionMust(dial.live, labelsOf(board)),
    }),
  ];
}

/** What a planned control cannot give as wanted: rounding, reach, and wishes that fight over it. */
export function controlFindings(
  board: BoardProfile,
  control: PlannedControl,
  positions: Positions,
): Finding[] {
  if (control.gives.every(({ wanted }) => wanted === undefined)) return [];
  const dead = deadDial(board, control, positions);
  if (dead.length) return dead;
  const findings = control.gives.flatMap((given) => numberFinding(board, control, given));
  const unmet = control.gives.filter(
    ({ behaviour: id, wanted, given }) =>
      wanted !== undefined && wanted !== given && (isDiscrete(id) || typeof given !== "number"),
  );
  if (unmet.length === 0) return findings;
  return [
    ...findings,
    finding(
      "behaviours-fight",
      [
        ...controlSubjects(board, control),
        ...unmet.map(({ behaviour: id }) => ({ kind: "behaviour" as const, id })),
      ],
      {
        control: control.label,
        behaviours: listed(
          control.gives
            .filter(({ wanted }) => wanted !== undefined)
            .map(({ behaviour: id, wanted }) => `${behaviour(id).label.toLowerCase()} ${textOf(id, wanted)}`),
        ),
        clock: control.planned.join(", "),
        given: listed(
          control.gives
            .filter(({ given }) => given !== undefined)
            .map(({ behaviour: id, given }) => `${behaviour(id).label.toLowerCase()} ${textOf(id, given)}`),
        ),
      },
    ),
  ];
}

/** Wishes that no control of the board carries; what the board does by itself as wanted is none. */
export function unsettableFindings(board: BoardProfile, wishes: Wishes): Finding[] {
  const settable = settableBehaviours(board);
  return (Object.keys(wishes) as BehaviourId[])
    .filter((id) => wishes[id] !== undefined && !settable.has(id) && wishes[id] !== board.fixed[id])
    .map((id) => {
      const fixed = board.fixed[id];
      return fixed === undefined
        ? finding("behaviour-not-settable", [{ kind: "behaviour", id }], { behaviour: behaviour(id).label })
        : finding("fixed-otherwise", [{ kind: "behaviour", id }], {
            behaviour: behaviour(id).label,
            wanted: textOf(id, wishes[id]),
            given: textOf(id, fixed),
          });
    });
}

/** Trap 13: a dial of two functions that stands in another zone than the planned one. */
export function thresholdFindings(board: BoardProfile, now: Positions, planned: Positions): Finding[] {
  return board.dials.flatMap((dial): Finding[] => {
    const at = clockToFraction(now.dials[dial.id] ?? dial.delivered, dial.sweep);
    const to = clockToFraction(planned.dials[dial.id] ?? dial.delivered, dial.sweep);
    const zone = zoneAt(dial, at);
    const wanted = zoneAt(dial, to);
    const twoFunctions = behavioursOf(dial.zones).length > 1;
    if (!twoFunctions || zone === wanted) return [];
    return [
      finding("dial-below-threshold", [{ kind: "dial", id: dial.id }], {
        dial: dial.label,
        clock: now.dials[dial.id] ?? dial.delivered,
        reads: zone.reads ?? "the other function",
        wanted: Object.entries(wanted.sets)
          .filter(([, sets]) => typeof sets !== "object")
          .map(
            ([id, sets]) =>
              `${behaviour(id as BehaviourId).label.toLowerCase()}: ${textOf(id as BehaviourId, sets as BehaviourValue)}`,
          )
          .join(", "),
        threshold: fractionToClock(Math.max(zone.from, wanted.from), dial.sweep),
        target: planned.dials[dial.id] ?? dial.delivered,
      }),
    ];
  });
}

/** Trap 14: controls that were moved and whose commit gesture is still owed. */
export function commitFindings(board: BoardProfile, now: Positions, inForce: Positions): Finding[] {
  const moved = movedControls(now, inForce);
  return controlKinds.flatMap((kind): Finding[] => {
    const commit = board.commits.find((each) => each.for === kind);
    const ids = moved[kind];
    if (!commit || !ids.length) return [];
    const name = (id: string) =>
      board.dials.find((dial) => dial.id === id)?.label ??
      menuValues(board).find(({ item }) => item.id === id)?.item.label ??
      id;
    const keys = touchedBy(commit.by).flatMap((part) =>
      part.kind === "key" ? [{ kind: "key" as const, id: part.id }] : [],
    );
    return [
      finding("not-committed", [...ids.map((id) => controlSubject(board, kind, id)), ...keys], {
        controls: listed(ids.map(kind === "switches" ? (id) => id : name)),
        gesture: commit.says,
      }),
    ];
  });
}

/** Trap 1: a force that is too low for learning, where its control stands; the target is the planned position, or the least that will do. */
export function forceFindings(
  board: BoardProfile,
  at: Positions,
  least: number,
  planned: Positions,
  id: BehaviourId = "force",
): Finding[] {
  const findingUnder = (
    control: string,
    clock: string,
    given: number,
    target: string | undefined,
    kind: "dial" | "value",
    subject: string,
  ) =>
    given >= least
      ? []
      : [
          finding("force-off-for-learning", [{ kind, id: subject }], {
            dial: control,
            clock,
            behaviour: behaviour(id).label.toLowerCase(),
            value: given === 0 ? "off" : `${plainNumber(given)} %`,
            least: `${plainNumber(least)} %`,
            target: target ?? "more force",
          }),
        ];
  const dial = board.dials.find((each) => behavioursOf(each.zones).includes(id));
  if (dial) {
    const forceAt = (fraction: number) => Number(dialGives(dial, fraction)[id] ?? 0);
    const clock = at.dials[dial.id] ?? dial.delivered;
    const plannedAt = clockToFraction(planned.dials[dial.id] ?? dial.delivered, dial.sweep);
    const target = [plannedAt, ...safeFractions(dial)].find((fraction) => forceAt(fraction) >= least);
    const to = target === undefined ? undefined : fractionToClock(target, dial.sweep);
    return findingUnder(dial.label, clock, forceAt(clockToFraction(clock, dial.sweep)), to, "dial", dial.id);
  }
  const value = menuValues(board).find(({ item }) => item.number?.sets[id] !== undefined);
  if (!value) return [];
  const forceAt = (shows: string) => Number(valueGives(value.item, shows)[id] ?? 0);
  const shows = at.values[value.item.id] ?? value.delivered;
  const target = [planned.values[value.item.id] ?? "", ...displayPositions(value.item)].find(
    (each) => forceAt(each) >= least,
  );
  return findingUnder(value.item.label, shows, forceAt(shows), target, "value", value.item.id);
}
