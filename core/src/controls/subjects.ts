import { selectorsOf, type BoardProfile } from "../board/index.ts";
import type { Subject } from "../finding/index.ts";
import type { PlannedControl } from "./planned.ts";
import type { Positions } from "./positions.ts";

/** A control as the subject of a finding or a step: a switch, slide or jumper, a dial, or a menu entry. */
export function controlSubject(board: BoardProfile, kind: keyof Positions, id: string): Subject {
  if (kind === "dials") return { kind: "dial", id };
  if (kind === "values") return { kind: "value", id };
  return { kind: selectorsOf(board).find((each) => each.id === id)?.kind ?? "switch", id };
}

/** The parts of a planned control as subjects. */
export function controlSubjects(board: BoardProfile, control: PlannedControl): Subject[] {
  return control.parts.map((id) => controlSubject(board, control.kind, id));
}
