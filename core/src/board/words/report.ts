import { isClock } from "../../quantity/index.ts";
import type { Names } from "./names.ts";

/** Notes one contradiction: its path, what was expected, what stood there, what to do. */
export type Report = (path: string, expected: string, found: unknown, remedy: string) => void;

/** Reports every id that stands a second time. */
export function unique(
  ids: readonly string[],
  path: (at: number) => string,
  what: string,
  report: Report,
): void {
  ids.forEach((id, at) => {
    const first = ids.indexOf(id);
    if (first !== at)
      report(path(at), `${what} of its own`, id, `Rename it: ${path(first)} has this id already.`);
  });
}

/** Reports an id that nothing of the board has; an id left out is no fault. */
export function known(
  id: string | undefined,
  ids: readonly string[],
  path: string,
  what: string,
  report: Report,
): void {
  if (id !== undefined && !ids.includes(id))
    report(
      path,
      `${what} of this board (${ids.slice(0, 24).join(", ") || "there is none"})`,
      id,
      `Correct the id, or add the ${what}.`,
    );
}

/** Reports a control the board lacks, or a position it cannot stand at; a dial stands at clock times. */
export function checkPosition(
  id: string,
  to: string | undefined,
  path: { control: string; position: string },
  names: Pick<Names, "controls">,
  report: Report,
): void {
  known(id, [...names.controls.keys()], path.control, "control", report);
  if (!names.controls.has(id) || to === undefined) return;
  const positions = names.controls.get(id);
  if (positions ? !positions.includes(to) : !isClock(to))
    report(
      path.position,
      positions ? `a position of ${id} (${positions.join(", ")})` : 'a clock time such as "7:30"',
      to,
      "Give a position the control can stand at.",
    );
}
