import type { BehaviourId, BehaviourValue } from "../../board/index.ts";
import { compareMisfit, misfit, type Wishes } from "../fit.ts";
import type { Knob, Stand } from "./knobs.ts";

/** Wishes that no position of a control gives together; each without the others it gives. */
export interface Conflict {
  knob: Knob;
  wishes: BehaviourId[];
  /** For each wish that is given up: what it becomes where the others are given, as near as they then allow. */
  instead: { without: BehaviourId; given: BehaviourValue | undefined; at: readonly string[] }[];
}

const only = (wishes: Wishes, ids: readonly BehaviourId[]): Wishes =>
  Object.fromEntries(ids.map((id) => [id, wishes[id]]));

function nearest(knob: Knob, wishes: Wishes, ids: readonly BehaviourId[]): Stand | undefined {
  const score = ({ gives }: Stand) => misfit(gives, wishes, ids);
  return knob.stands.reduce<Stand | undefined>((best, stand) => {
    if (!best) return stand;
    const order = compareMisfit(score(stand), score(best));
    return order < 0 || (order === 0 && stand.far < best.far) ? stand : best;
  }, undefined);
}

/** For each wish the stands that give it as well as the control can at all. */
function giving(knob: Knob, wishes: Wishes, id: BehaviourId): Set<Stand> {
  const score = (stand: Stand) => misfit(stand.gives, wishes, [id]);
  const best = nearest(knob, wishes, [id]);
  return new Set(knob.stands.filter((stand) => compareMisfit(score(stand), score(best!)) === 0));
}

/**
 * What of the wishes one control cannot give together: least sets, so that without any one of a set its others hold. A
 * wish the control cannot give even alone takes no part.
 */
export function conflictsOf(knob: Knob, wishes: Wishes): Conflict[] {
  const wished = knob.ids.filter((id) => wishes[id] !== undefined);
  const by = new Map(wished.map((id) => [id, giving(knob, wishes, id)]));
  const hold = (ids: readonly BehaviourId[]) =>
    knob.stands.some((stand) => ids.every((id) => by.get(id)!.has(stand)));
  const conflicts: Conflict[] = [];
  let left = wished;
  while (!hold(left)) {
    // Wishes are left out one after the other for as long as what remains cannot hold: none of the rest can be spared.
    const least = left.reduce((kept, id) => {
      const without = kept.filter((each) => each !== id);
      return hold(without) ? kept : without;
    }, left);
    const instead = least.map((id) => {
      const others = least.filter((each) => each !== id);
      const held = knob.stands.filter((stand) => others.every((each) => by.get(each)!.has(stand)));
      const stand = nearest({ ...knob, stands: held }, only(wishes, [id]), [id])!;
      return { without: id, given: stand.gives[id], at: stand.at };
    });
    conflicts.push({ knob, wishes: least, instead });
    left = left.filter((id) => id !== least[0]);
  }
  return conflicts;
}
