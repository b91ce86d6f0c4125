import {
  displayPositions,
  menuValues,
  type BehaviourId,
  type BoardProfile,
  type Condition,
  type Dial,
} from "../../board/index.ts";
import { clockToFraction, fractionToClock } from "../../quantity/index.ts";
import { behavioursOf } from "../fit.ts";
import { dialGives, safeFractions, valueGives, type Given, type Positions } from "../positions.ts";

/** One way a control can stand. */
export interface Stand {
  at: readonly string[];
  gives: Given;
  /** How far it is from where the control was found: switches to move, part of a sweep, steps of a value. */
  far: number;
}

/** A control, or switches read together, with every way it can stand that can be read off. */
export interface Knob {
  id: string;
  kind: keyof Positions;
  label: string;
  /** Ids of the switches, of the dial, or of the menu entry. */
  parts: string[];
  /** Behaviours that it carries. */
  ids: BehaviourId[];
  found: readonly string[];
  stands: Stand[];
  /** It counts only while this holds. */
  live?: Condition;
}

function dialStands(dial: Dial, found: string): Stand[] {
  const at = clockToFraction(found, dial.sweep);
  return safeFractions(dial).map((fraction) => ({
    at: [fractionToClock(fraction, dial.sweep)],
    gives: dialGives(dial, fraction),
    far: Math.abs(fraction - at),
  }));
}

/** Every control of a board as it was found, with all it can be brought to. */
export function knobsOf(board: BoardProfile, found: Positions): Knob[] {
  return [
    ...board.settings.map((setting): Knob => {
      const before = setting.of.map((id) => found.switches[id] ?? "off");
      return {
        id: setting.of.join("+"),
        kind: "switches",
        label: setting.label,
        parts: setting.of,
        ids: behavioursOf(setting.rows),
        found: before,
        stands: setting.rows.map(({ at, sets }) => ({
          at,
          gives: sets as Given,
          far: at.filter((each, index) => each !== before[index]).length,
        })),
      };
    }),
    ...board.dials.map((dial): Knob => {
      const before = found.dials[dial.id] ?? dial.delivered;
      return {
        id: dial.id,
        kind: "dials",
        label: dial.label,
        parts: [dial.id],
        ids: behavioursOf(dial.zones),
        found: [before],
        stands: dialStands(dial, before),
        ...(dial.live ? { live: dial.live } : {}),
      };
    }),
    ...menuValues(board).map(({ item, delivered }): Knob => {
      const before = found.values[item.id] ?? delivered;
      const all = displayPositions(item);
      return {
        id: item.id,
        kind: "values",
        label: item.label,
        parts: [item.id],
        ids: behavioursOf(item.number ? [item.number] : (item.choices ?? [])),
        found: [before],
        stands: all.map((shows, index) => ({
          at: [shows],
          gives: valueGives(item, shows),
          far: Math.abs(index - all.indexOf(before)),
        })),
        ...(item.when ? { live: item.when } : {}),
      };
    }),
  ];
}
