import type { Procedure } from "../board/index.ts";
import type { Planned } from "../state/index.ts";

/** The procedures that are done on a job: what is always done, what it chose, and not what a chosen one replaces. */
export function chosenProcedures({ bundle: { board, job } }: Pick<Planned, "bundle">): Procedure[] {
  const chosen = new Set(job.chosen);
  const replaced = new Set(
    board.procedures.flatMap(({ id, instead }) => (instead !== undefined && chosen.has(id) ? [instead] : [])),
  );
  return board.procedures.filter(
    ({ id, station, optional }) =>
      station !== undefined && (!optional || chosen.has(id)) && !replaced.has(id),
  );
}

/** True where the job has a battery, or its board does not go without: then it is asked what comes when the mains fail. */
export function hasBattery({ bundle: { board }, wiring }: Pick<Planned, "bundle" | "wiring">): boolean {
  if (!board.battery) return false;
  return !board.battery.optional || wiring.devices.some(({ profile }) => profile.kind === "battery");
}
