import {
  behaviour,
  behaviourText,
  displayPositions,
  entryName,
  menuValues,
  touchedBy,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
} from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { clockToFraction, fractionToClock, listed, plainNumber } from "../../quantity/index.ts";
import { behavioursOf } from "../fit.ts";
import {
  controlKinds,
  dialGives,
  movedControls,
  safeFractions,
  valueGives,
  zoneAt,
  type Positions,
} from "../positions.ts";
import { controlSubject } from "../subjects.ts";

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
              `${behaviour(id as BehaviourId).label.toLowerCase()}: ${behaviourText(id as BehaviourId, sets as BehaviourValue)}`,
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
    const subjects = [...ids.map((id) => controlSubject(board, kind, id)), ...keys];
    if (kind === "values")
      return [
        finding("list-not-saved", subjects, {
          controls: listed(ids.map(name)),
          back: listed(ids.map((id) => `${name(id)} to ${inForce.values[id] ?? "what it was"}`)),
          gesture: commit.says,
        }),
      ];
    return [
      finding("not-committed", subjects, {
        controls: listed(ids.map(kind === "switches" ? (id) => id : name)),
        gesture: commit.says,
      }),
    ];
  });
}

/** Trap 9: a value that nobody wanted changed, beside one that was to be changed. */
export function neighbourFindings(
  board: BoardProfile,
  now: Positions,
  { found, planned }: { found: Positions; planned: Positions },
): Finding[] {
  const wanted = (id: string) => planned.values[id] !== undefined && planned.values[id] !== found.values[id];
  return (board.panel?.menus ?? []).flatMap(({ items }) =>
    items.flatMap((item, at): Finding[] => {
      const stands = now.values[item.id];
      if (stands === undefined || wanted(item.id) || stands === planned.values[item.id]) return [];
      const beside = [items[at - 1], items[at + 1]].find((each) => each && wanted(each.id));
      if (!beside) return [];
      return [
        finding("neighbour-changed", [{ kind: "value", id: item.id }], {
          value: entryName(item),
          stands,
          wanted: entryName(beside),
          planned: planned.values[item.id] ?? "what it was",
        }),
      ];
    }),
  );
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
