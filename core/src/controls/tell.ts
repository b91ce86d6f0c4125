import {
  behaviour,
  behaviourIds,
  behaviourText,
  conditionMust,
  controlName,
  entryName,
  labelsOf,
  menuValues,
  positionsText,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
} from "../board/index.ts";
import { clockText } from "../quantity/index.ts";
import { ofPairs } from "./kin.ts";
import { behavioursAt, isLive, foundPositions, type Positions } from "./positions.ts";
import { knobsOf, type Knob } from "./solve/knobs.ts";

/** One behaviour that the controls come to where they stand. */
export interface ToldBehaviour {
  id: BehaviourId;
  label: string;
  value: BehaviourValue;
  text: string;
  /** The controls that say so, each with where it stands; empty where the board does it by itself. */
  by: string[];
  /** What it would be as delivered, where that differs. */
  delivered?: string;
}

/** What a board does with its controls where they stand, and what of that is unusual, a sentence each. */
export interface ToldPositions {
  behaviours: ToldBehaviour[];
  unusual: string[];
}

const standsOf = (board: BoardProfile, { kind, label, parts }: Knob, at: Positions): string => {
  const stands = parts.map((part) => at[kind][part] ?? "");
  if (kind === "switches") return positionsText(board, parts, stands);
  const dial = board.dials.find(({ id }) => kind === "dials" && id === parts[0]);
  if (dial) return `${controlName(dial)} at ${clockText(stands[0] ?? dial.delivered, dial.sweep)}`;
  const entry = menuValues(board).find(({ item }) => item.id === parts[0]);
  return `${entry ? entryName(entry.item) : label} at ${stands[0]}`;
};

/** What is odd about where one control stands. */
function oddities(board: BoardProfile, knob: Knob, at: Positions): string[] {
  const stands = knob.parts.map((part) => at[knob.kind][part] ?? "");
  const dial = board.dials.find(({ id }) => knob.kind === "dials" && id === knob.id);
  if (dial) {
    const alive = isLive(dial.live, at, behavioursAt(board, at));
    const numbers = dial.zones.some(({ sets }) =>
      Object.values(sets).some((each) => typeof each === "object"),
    );
    const ends = [dial.sweep.from, dial.sweep.to].indexOf(stands[0]!);
    return [
      ...(alive
        ? []
        : [`${controlName(dial)} counts for nothing: ${conditionMust(dial.live!, labelsOf(board))}.`]),
      ...(alive && numbers && ends >= 0
        ? [`${controlName(dial)} stands at its ${ends ? "right" : "left"} end.`]
        : []),
    ];
  }
  const listed = knob.stands.some((each) => each.at.every((position, index) => position === stands[index]));
  if (listed) return [];
  return [
    knob.kind === "values"
      ? `${knob.label} shows ${stands[0]}, which this board cannot: read it again, or look at its firmware.`
      : `${positionsText(board, knob.parts, stands)}: what the board makes of that is not known.`,
  ];
}

/**
 * What controls come to where they stand, told as behaviour: the way back from positions to wishes. Of one leaf nothing is
 * told that only a pair has.
 */
export function tellPositions(board: BoardProfile, at: Positions, leaves = 2): ToldPositions {
  const given = behavioursAt(board, at);
  const delivered = behavioursAt(board, foundPositions(board));
  const knobs = knobsOf(board, at);
  const known = new Set(menuValues(board).map(({ item }) => item.id));
  return {
    behaviours: behaviourIds.flatMap((id): ToldBehaviour[] => {
      const value = given[id];
      if (value === undefined || (leaves < 2 && ofPairs.includes(id))) return [];
      const carry = knobs.filter(({ ids }) => ids.includes(id));
      const [text, before] = [value, delivered[id]].map((each) =>
        each === undefined ? undefined : behaviourText(id, each),
      );
      return [
        {
          ...{ id, label: behaviour(id).label, value, text: text! },
          by: carry.map((knob) => standsOf(board, knob, at)),
          ...(before !== undefined && before !== text ? { delivered: before } : {}),
        },
      ];
    }),
    unusual: [
      ...knobs.flatMap((knob) => oddities(board, knob, at)),
      ...Object.keys(at.values)
        .filter((id) => !known.has(id))
        .map((id) => `There is no entry ${id} on this firmware.`),
    ],
  };
}
