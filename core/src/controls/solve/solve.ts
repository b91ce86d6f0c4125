import { conditionParts, type BehaviourId, type BoardProfile } from "../../board/index.ts";
import { compareMisfit, misfit, type Misfit, type Wishes } from "../fit.ts";
import { behavioursAt, isLive, type Positions } from "../positions.ts";
import { knobsOf, type Knob, type Stand } from "./knobs.ts";

/** Where every control is to stand, and those moved for another's sake alone: by their id, the dial that needs it. */
export interface Solution {
  positions: Positions;
  neededBy: ReadonlyMap<string, string>;
}

const isWished = ({ ids }: Knob, wishes: Wishes) => ids.some((id) => wishes[id] !== undefined);

/** The stands that fit best, the nearest to where it was found first; of a control nobody asked anything of, all. */
function fitting(knob: Knob, wishes: Wishes): Stand[] {
  const scored = knob.stands.map((stand) => ({ stand, score: misfit(stand.gives, wishes, knob.ids) }));
  const best = scored.reduce<Misfit | undefined>(
    (least, { score }) => (!least || compareMisfit(score, least) < 0 ? score : least),
    undefined,
  );
  return scored
    .filter(({ score }) => compareMisfit(score, best!) === 0)
    .map(({ stand }) => stand)
    .sort((a, b) => a.far - b.far);
}

const withStand = (positions: Positions, { kind, parts }: Knob, { at }: Pick<Stand, "at">): Positions => ({
  ...positions,
  [kind]: { ...positions[kind], ...Object.fromEntries(parts.map((part, index) => [part, at[index] ?? ""])) },
});

/** Of stands that are alike to what is asked of them only the nearest counts. */
function distinct(
  stands: readonly Stand[],
  behaviours: readonly BehaviourId[],
  byPosition: boolean,
): Stand[] {
  const seen = new Set<string>();
  return stands.filter(({ at, gives }) => {
    const key = JSON.stringify([byPosition ? at : null, behaviours.map((id) => gives[id] ?? null)]);
    return seen.has(key) ? false : seen.add(key);
  });
}

/** Every choice of one from each list, the ones with the least sum of distances first. */
function choices(lists: readonly (readonly Stand[])[]): { stands: Stand[]; far: number }[] {
  let all: { stands: Stand[]; far: number }[] = [{ stands: [], far: 0 }];
  for (const list of lists)
    all = all.flatMap(({ stands, far }) =>
      list.map((stand) => ({ stands: [...stands, stand], far: far + stand.far })),
    );
  return all.sort((a, b) => a.far - b.far);
}

/**
 * Where every control must stand for what is wanted, all taken together: of all positions that can be read off those that
 * differ in the fewest words, that leave the fewest wished dials dead, and are nearest in numbers; of equals the nearest
 * to where they stand. A control nobody asked anything of stays as found, unless a wished dial counts only with it.
 */
export function solveControls(board: BoardProfile, wishes: Wishes, found: Positions): Solution {
  const knobs = knobsOf(board, found);
  let positions = found;
  for (const knob of knobs) {
    const stand = isWished(knob, wishes) ? fitting(knob, wishes)[0] : undefined;
    if (stand) positions = withStand(positions, knob, stand);
  }
  const lives = ({ live }: Knob, at: Positions) => isLive(live, at, behavioursAt(board, at));
  const wished = knobs.filter((knob) => knob.live && isWished(knob, wishes));
  const dead = wished.filter((knob) => !lives(knob, positions));
  const asked = dead.map(({ live }) => conditionParts(live!));
  const gates = knobs.filter(
    (knob) =>
      !dead.includes(knob) &&
      asked.some(
        ({ behaviours, controls }) =>
          knob.ids.some((id) => behaviours.includes(id)) || knob.parts.some((id) => controls.includes(id)),
      ),
  );
  const behaviours = asked.flatMap((each) => each.behaviours);
  const byPosition = asked.some(({ controls }) => controls.length > 0);
  const count = (at: Positions) => wished.filter((knob) => lives(knob, at)).length;
  let best = { at: positions, alive: count(positions) };
  for (const { stands } of choices(
    gates.map((gate) => distinct(fitting(gate, wishes), behaviours, byPosition)),
  )) {
    const at = gates.reduce((all, gate, index) => withStand(all, gate, stands[index]!), positions);
    const alive = count(at);
    if (alive > best.alive) best = { at, alive };
  }
  const neededBy = gates.flatMap((gate): [string, string][] => {
    const moved = gate.parts.some((part) => best.at[gate.kind][part] !== positions[gate.kind][part]);
    const dial = dead.find((knob) => lives(knob, best.at));
    return moved && dial ? [[gate.id, dial.label]] : [];
  });
  // An entry that is not shown cannot be set: it stays as found.
  const hidden = wished.filter((knob) => knob.kind === "values" && !lives(knob, best.at));
  return {
    positions: hidden.reduce((at, knob) => withStand(at, knob, { at: knob.found }), best.at),
    neededBy: new Map(neededBy),
  };
}
