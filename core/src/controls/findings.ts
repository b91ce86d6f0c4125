import {
  behaviour,
  behaviourText,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
  type Dial,
} from "../board/index.ts";
import { finding, type Finding, type Subject } from "../finding/index.ts";
import { clockToFraction, fractionToClock, listed, plainNumber } from "../quantity/index.ts";
import { behavioursOf, isDiscrete, type Wishes } from "./fit.ts";
import type { Given, PlannedControl } from "./plan.ts";
import { dialGives, movedControls, safeFractions, zoneAt, type Positions } from "./positions.ts";

const textOf = (id: BehaviourId, value: BehaviourValue | undefined) =>
  value === undefined ? "nothing" : behaviourText(id, value);

function subjectsOf(control: PlannedControl): Subject[] {
  return control.parts.map((id) => ({ kind: control.kind === "dial" ? "dial" : "switch", id }));
}

/** The least and most a dial gives of a behaviour, over the zones that set it. */
function reach(dial: Dial, id: BehaviourId): { least: number; most: number } | undefined {
  const ends = dial.zones.flatMap((zone) => {
    const sets = zone.sets[id];
    if (typeof sets === "object") return [sets.from, sets.to];
    return typeof sets === "number" ? [sets] : [];
  });
  return ends.length ? { least: Math.min(...ends), most: Math.max(...ends) } : undefined;
}

function numberFinding(
  control: PlannedControl,
  dial: Dial,
  { behaviour: id, wanted, given }: Given,
): Finding[] {
  if (
    isDiscrete(id) ||
    typeof wanted !== "number" ||
    typeof given !== "number" ||
    Math.abs(wanted - given) < 0.05
  )
    return [];
  const range = reach(dial, id);
  const values = {
    behaviour: behaviour(id).label,
    wanted: textOf(id, wanted),
    given: textOf(id, given),
    control: control.label,
    clock: control.planned[0] ?? "",
  };
  const subjects = [...subjectsOf(control), { kind: "behaviour" as const, id }];
  if (range && (wanted < range.least || wanted > range.most))
    return [
      finding("value-out-of-reach", subjects, {
        ...values,
        least: textOf(id, range.least),
        most: textOf(id, range.most),
      }),
    ];
  return [finding("value-rounded", subjects, values)];
}

/** What a planned control cannot give as wanted: rounding, reach, and wishes that fight over it. */
export function controlFindings(board: BoardProfile, control: PlannedControl): Finding[] {
  const dial = control.kind === "dial" ? board.dials.find((each) => each.id === control.id) : undefined;
  const unmet = control.gives.filter(
    ({ behaviour: id, wanted, given }) =>
      wanted !== undefined && wanted !== given && (isDiscrete(id) || !dial || given === undefined),
  );
  const findings = dial ? control.gives.flatMap((given) => numberFinding(control, dial, given)) : [];
  if (unmet.length === 0) return findings;
  return [
    ...findings,
    finding(
      "behaviours-fight",
      [...subjectsOf(control), ...unmet.map(({ behaviour: id }) => ({ kind: "behaviour" as const, id }))],
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

/** Wishes that no control of the board carries. */
export function unsettableFindings(board: BoardProfile, wishes: Wishes): Finding[] {
  const settable = new Set<string>([
    ...behavioursOf(board.settings.flatMap((setting) => setting.rows)),
    ...behavioursOf(board.dials.flatMap((dial) => dial.zones)),
  ]);
  return (Object.keys(wishes) as BehaviourId[])
    .filter((id) => wishes[id] !== undefined && !settable.has(id))
    .map((id) =>
      finding("behaviour-not-settable", [{ kind: "behaviour", id }], { behaviour: behaviour(id).label }),
    );
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
  return board.commits.flatMap((commit): Finding[] => {
    const ids = moved[commit.for];
    if (!ids.length) return [];
    const kind = commit.for === "dials" ? ("dial" as const) : ("switch" as const);
    const names =
      commit.for === "dials" ? ids.map((id) => board.dials.find((dial) => dial.id === id)?.label ?? id) : ids;
    return [
      finding("not-committed", [...ids.map((id) => ({ kind, id })), { kind: "key", id: commit.hold.key }], {
        controls: listed(names),
        gesture: commit.says,
      }),
    ];
  });
}

/** Trap 1: a force that is too low for learning, where the dial stands; the target is the planned position, or the least that will do. */
export function forceFindings(
  board: BoardProfile,
  at: Positions,
  least: number,
  planned: Positions,
): Finding[] {
  const dial = board.dials.find((each) => behavioursOf(each.zones).includes("force"));
  if (!dial) return [];
  const forceAt = (fraction: number) => Number(dialGives(dial, fraction).force ?? 0);
  const clock = at.dials[dial.id] ?? dial.delivered;
  const given = forceAt(clockToFraction(clock, dial.sweep));
  if (given >= least) return [];
  const plannedAt = clockToFraction(planned.dials[dial.id] ?? dial.delivered, dial.sweep);
  const target = [plannedAt, ...safeFractions(dial)].find((fraction) => forceAt(fraction) >= least);
  return [
    finding("force-off-for-learning", [{ kind: "dial", id: dial.id }], {
      dial: dial.label,
      clock,
      behaviour: "force",
      value: given === 0 ? "off" : `${plainNumber(given)} %`,
      least: `${plainNumber(least)} %`,
      target: target === undefined ? "more force" : fractionToClock(target, dial.sweep),
    }),
  ];
}
