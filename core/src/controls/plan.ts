import type { BehaviourId, BehaviourValue, BoardProfile, Dial, Setting } from "../board/index.ts";
import type { Finding } from "../finding/index.ts";
import { clockToFraction, fractionToClock } from "../quantity/index.ts";
import { controlFindings, unsettableFindings } from "./findings.ts";
import { behavioursOf, compareMisfit, misfit, type Wishes } from "./fit.ts";
import { behavioursAt, dialGives, safeFractions, type Positions } from "./positions.ts";

/** A behaviour a control carries: what is wanted, and what the planned position gives. */
export interface Given {
  behaviour: BehaviourId;
  wanted: BehaviourValue | undefined;
  given: BehaviourValue | undefined;
}

/** One control, or group of switches read together: where it stood, where it must stand, and what that gives. */
export interface PlannedControl {
  id: string;
  kind: "dial" | "switches";
  label: string;
  /** Ids of the switches, or of the dial. */
  parts: string[];
  found: string[];
  planned: string[];
  change: boolean;
  gives: Given[];
  /** Gesture after which the board reads it; undefined where it acts at once. */
  commit?: string;
}

export interface ControlPlan {
  controls: PlannedControl[];
  positions: Positions;
  findings: Finding[];
}

function planDial(dial: Dial, found: string, wishes: Wishes): string {
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

function planSetting(
  setting: Setting,
  found: readonly ("on" | "off")[],
  wishes: Wishes,
): readonly ("on" | "off")[] {
  const ids = behavioursOf(setting.rows);
  if (ids.every((id) => wishes[id] === undefined)) return found;
  const score = (row: Setting["rows"][number]) =>
    misfit(row.sets as Partial<Record<BehaviourId, BehaviourValue>>, wishes, ids);
  const moves = (row: Setting["rows"][number]) => row.at.filter((at, index) => at !== found[index]).length;
  const [best] = [...setting.rows].sort((a, b) => compareMisfit(score(a), score(b)) || moves(a) - moves(b));
  return best?.at ?? found;
}

/**
 * Where every control must stand for what is wanted: of all positions that can be read off, the one that differs in the
 * fewest words and is nearest in numbers; of equals, the one nearest to where it stands. A control nobody asked anything
 * of stays as found.
 */
export function planControls(board: BoardProfile, wishes: Wishes, found: Positions): ControlPlan {
  const commitFor = (kind: "switches" | "dials") => board.commits.find((commit) => commit.for === kind)?.id;
  const switches: Record<string, "on" | "off"> = { ...found.switches };
  const dials: Record<string, string> = { ...found.dials };
  for (const setting of board.settings) {
    const before = setting.switches.map((id) => found.switches[id] ?? "off");
    planSetting(setting, before, wishes).forEach((at, index) => (switches[setting.switches[index]!] = at));
  }
  for (const dial of board.dials)
    dials[dial.id] = planDial(dial, found.dials[dial.id] ?? dial.delivered, wishes);

  const positions: Positions = { switches, dials };
  const given = behavioursAt(board, positions);
  const describe = (
    kind: PlannedControl["kind"],
    id: string,
    label: string,
    parts: string[],
    ids: BehaviourId[],
  ): PlannedControl => {
    const where = kind === "dial" ? "dials" : "switches";
    const before = parts.map((part) => found[where][part] ?? "");
    const planned = parts.map((part) => positions[where][part] ?? "");
    return {
      id,
      kind,
      label,
      parts,
      found: before,
      planned,
      change: planned.some((at, index) => at !== before[index]),
      gives: ids.map((behaviour) => ({ behaviour, wanted: wishes[behaviour], given: given[behaviour] })),
      commit: commitFor(where),
    };
  };
  const controls = [
    ...board.settings.map((setting) =>
      describe(
        "switches",
        setting.switches.join("+"),
        setting.label,
        setting.switches,
        behavioursOf(setting.rows),
      ),
    ),
    ...board.dials.map((dial) => describe("dial", dial.id, dial.label, [dial.id], behavioursOf(dial.zones))),
  ];
  return {
    controls,
    positions,
    findings: [
      ...controls.flatMap((control) => controlFindings(board, control)),
      ...unsettableFindings(board, wishes),
    ],
  };
}
