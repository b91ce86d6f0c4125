import { menuValues, type BehaviourId, type BoardProfile } from "../board/index.ts";
import { chooseDial, chooseSetting, chooseValue, commitFor } from "./choose.ts";
import { controlFindings, unsettableFindings } from "./findings.ts";
import { behavioursOf, type Wishes } from "./fit.ts";
import type { ControlPlan, PlannedControl } from "./planned.ts";
import { isPanelCut, panelJumper } from "./panel.ts";
import { behavioursAt, type Positions } from "./positions.ts";

/**
 * Where every control must stand for what is wanted: of all positions that can be read off, the one that differs in the
 * fewest words and is nearest in numbers; of equals, the one nearest to where it stands. A control nobody asked anything
 * of stays as found.
 */
export function planControls(board: BoardProfile, wishes: Wishes, found: Positions): ControlPlan {
  const switches: Record<string, string> = { ...found.switches };
  const dials: Record<string, string> = { ...found.dials };
  const values: Record<string, string> = { ...found.values };
  for (const setting of board.settings) {
    const before = setting.of.map((id) => found.switches[id] ?? "off");
    chooseSetting(setting, before, wishes).forEach((at, index) => (switches[setting.of[index]!] = at));
  }
  for (const dial of board.dials)
    dials[dial.id] = chooseDial(dial, found.dials[dial.id] ?? dial.delivered, wishes);
  const entries = menuValues(board);
  for (const entry of entries)
    values[entry.item.id] = chooseValue(entry, found.values[entry.item.id] ?? entry.delivered, wishes);

  const jumper = panelJumper(board);
  if (jumper && isPanelCut(board, { switches })) switches[jumper.id] = "parked";

  const positions: Positions = { switches, dials, values };
  const given = behavioursAt(board, positions);
  const describe = (
    kind: PlannedControl["kind"],
    label: string,
    parts: string[],
    ids: BehaviourId[],
  ): PlannedControl => {
    const before = parts.map((part) => found[kind][part] ?? "");
    const planned = parts.map((part) => positions[kind][part] ?? "");
    return {
      id: parts.join("+"),
      kind,
      label,
      parts,
      found: before,
      planned,
      change: planned.some((at, index) => at !== before[index]),
      gives: ids.map((behaviour) => ({ behaviour, wanted: wishes[behaviour], given: given[behaviour] })),
      commit: commitFor(board, kind),
    };
  };
  const controls = [
    ...board.settings.map((setting) =>
      describe("switches", setting.label, setting.of, behavioursOf(setting.rows)),
    ),
    ...(jumper ? [describe("switches", jumper.label, [jumper.id], [])] : []),
    ...board.dials.map((dial) => describe("dials", dial.label, [dial.id], behavioursOf(dial.zones))),
    ...entries.map(({ item }) =>
      describe(
        "values",
        item.label,
        [item.id],
        behavioursOf(item.number ? [item.number] : (item.choices ?? [])),
      ),
    ),
  ];
  return {
    controls,
    positions,
    findings: [
      ...controls.flatMap((control) => controlFindings(board, control, positions)),
      ...unsettableFindings(board, wishes),
    ],
  };
}
