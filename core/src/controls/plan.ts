import type { BoardProfile } from "../board/index.ts";
import { controlFindings, twiceFindings, unsettableFindings } from "./findings/wishes.ts";
import type { Wishes } from "./fit.ts";
import { isPanelCut, panelJumper } from "./panel.ts";
import type { ControlPlan, PlannedControl } from "./planned.ts";
import { behavioursAt, type Positions } from "./positions.ts";
import { knobsOf } from "./solve/knobs.ts";
import { solveControls } from "./solve/solve.ts";

/** Where every control must stand for what is wanted, what that gives, and what it cannot give. */
export function planControls(board: BoardProfile, wishes: Wishes, found: Positions): ControlPlan {
  const solved = solveControls(board, wishes, found);
  const jumper = panelJumper(board);
  const positions: Positions =
    jumper && isPanelCut(board, solved.positions)
      ? { ...solved.positions, switches: { ...solved.positions.switches, [jumper.id]: "parked" } }
      : solved.positions;
  const given = behavioursAt(board, positions);
  const knobs = knobsOf(board, found);
  const describe = ({
    kind,
    label,
    parts,
    ids,
  }: Pick<PlannedControl, "kind" | "label" | "parts"> &
    Pick<(typeof knobs)[number], "ids">): PlannedControl => {
    const id = parts.join("+");
    const before = parts.map((part) => found[kind][part] ?? "");
    const planned = parts.map((part) => positions[kind][part] ?? "");
    return {
      ...{ id, kind, label, parts, found: before, planned },
      change: planned.some((at, index) => at !== before[index]),
      gives: ids.map((behaviour) => ({ behaviour, wanted: wishes[behaviour], given: given[behaviour] })),
      commit: board.commits.find((commit) => commit.for === kind)?.id,
      neededBy: solved.neededBy.get(id),
    };
  };
  const of = (kind: PlannedControl["kind"]) => knobs.filter((knob) => knob.kind === kind).map(describe);
  const cut = jumper
    ? [describe({ kind: "switches", label: jumper.label, parts: [jumper.id], ids: [] })]
    : [];
  const controls = [...of("switches"), ...cut, ...of("dials"), ...of("values")];
  return {
    controls,
    positions,
    findings: [
      ...controls.flatMap((control) =>
        controlFindings(board, control, {
          wishes,
          positions,
          knob: knobs.find(({ id }) => id === control.id),
        }),
      ),
      ...twiceFindings(board, controls, wishes),
      ...unsettableFindings(board, wishes),
    ],
  };
}
