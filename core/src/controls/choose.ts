import {
  displayPositions,
  type BoardProfile,
  type Dial,
  type MenuValue,
  type Setting,
} from "../board/index.ts";
import { clockToFraction, fractionToClock } from "../quantity/index.ts";
import { behavioursOf, compareMisfit, misfit, type Wishes } from "./fit.ts";
import { dialGives, safeFractions, valueGives, type Given } from "./positions.ts";

/** The readable position of a dial that fits best; of equals the one nearest to where it stands. */
export function chooseDial(dial: Dial, found: string, wishes: Wishes): string {
  const ids = behavioursOf(dial.zones);
  if (ids.every((id) => wishes[id] === undefined)) return found;
  const at = clockToFraction(found, dial.sweep);
  const score = (fraction: number) => misfit(dialGives(dial, fraction), wishes, ids);
  let best: number | undefined;
  for (const fraction of safeFractions(dial)) {
    const order = best === undefined ? -1 : compareMisfit(score(fraction), score(best));
    if (best === undefined || order < 0 || (order === 0 && Math.abs(fraction - at) < Math.abs(best - at)))
      best = fraction;
  }
  return best === undefined ? found : fractionToClock(best, dial.sweep);
}

/** The positions of switches read together that fit best; of equals those with the fewest moves. */
export function chooseSetting(setting: Setting, found: readonly string[], wishes: Wishes): readonly string[] {
  const ids = behavioursOf(setting.rows);
  if (ids.every((id) => wishes[id] === undefined)) return found;
  const score = (row: Setting["rows"][number]) => misfit(row.sets as Given, wishes, ids);
  const moves = (row: Setting["rows"][number]) => row.at.filter((at, index) => at !== found[index]).length;
  const [best] = [...setting.rows].sort((a, b) => compareMisfit(score(a), score(b)) || moves(a) - moves(b));
  return best?.at ?? found;
}

/** What a menu entry should show; of equals what it shows already. */
export function chooseValue({ item }: MenuValue, found: string, wishes: Wishes): string {
  const ids = behavioursOf(item.number ? [item.number] : (item.choices ?? []));
  if (ids.every((id) => wishes[id] === undefined)) return found;
  const score = (shows: string) => misfit(valueGives(item, shows), wishes, ids);
  return displayPositions(item).reduce(
    (best, shows) => (compareMisfit(score(shows), score(best)) < 0 ? shows : best),
    found,
  );
}

/** The commit gesture that controls of this kind need; undefined where they act at once. */
export function commitFor(board: BoardProfile, kind: "switches" | "dials" | "values"): string | undefined {
  return board.commits.find((commit) => commit.for === kind)?.id;
}
