import type { BehaviourId, BehaviourValue } from "./behaviour.ts";
import { menuValues } from "./lookup.ts";
import { onceFor } from "./once.ts";
import type { BoardProfile, SetsValue } from "./schema/index.ts";

/** What every position of every control sets, one record a position. */
const everySets = onceFor((board: BoardProfile): readonly Readonly<Record<string, SetsValue>>[] =>
  [
    ...board.dials.flatMap((dial) => dial.zones),
    ...board.settings.flatMap((setting) => setting.rows),
    ...menuValues(board).flatMap(({ item }) => [
      ...(item.choices ?? []),
      ...(item.number ? [item.number] : []),
    ]),
  ].map((part) => part.sets),
);

/** Every behaviour that some control of the board sets. */
export function settableBehaviours(board: BoardProfile): Set<string> {
  return new Set(everySets(board).flatMap((sets) => Object.keys(sets)));
}

/** True when some position of some control gives this value; a number counts as given where the behaviour is set at all. */
export function canSet(board: BoardProfile, id: BehaviourId, value: BehaviourValue): boolean {
  return everySets(board).some(
    (sets) => Object.hasOwn(sets, id) && (typeof value === "number" || sets[id] === value),
  );
}

/** The words and switch positions some control can give a behaviour, as the board lists them; of numbers none. */
export function wordsSet(board: BoardProfile, id: BehaviourId): BehaviourValue[] {
  const values = everySets(board).flatMap((sets) => (Object.hasOwn(sets, id) ? [sets[id]] : []));
  return values.flatMap((value) => (typeof value === "string" || typeof value === "boolean" ? [value] : []));
}
