import { labelsOf } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import { answersOf, type Step } from "../runsheet/index.ts";
import { stateNow, type Planned } from "../state/index.ts";

/** Trap 22: work at the board that began before it was isolated and proved dead. */
function isolationFinding(
  sheet: readonly Step[],
  holds: ReadonlyMap<string, { outcome: string }>,
): Finding[] {
  const seen = (step: Step) => holds.get(step.id)?.outcome === "seen";
  const work = sheet.filter(
    ({ station, isolates }) => (station === "wire" || station === "set") && !isolates,
  );
  const missing = sheet.filter((step) => step.isolates && !seen(step));
  if (!missing.length || !work.some(seen)) return [];
  return [finding("not-proved-dead", [], { steps: listed(missing.map(({ title }) => title)) })];
}

/** Trap 41: what was learned and is not any more. */
function lostFindings(planned: Planned): Finding[] {
  const { learned } = stateNow(planned);
  const labels = labelsOf(planned.bundle.board);
  const once = new Set(
    planned.bundle.log.flatMap((entry) =>
      entry.kind === "step" && entry.outcome === "seen"
        ? entry.effects.flatMap((effect) => (effect.kind === "learn" ? [effect.what] : []))
        : [],
    ),
  );
  return [...once]
    .filter((memory) => !learned.includes(memory))
    .map((memory) => finding("learning-lost", [], { memory: labels.memory(memory) }));
}

/** Against what was done so far: traps 22, 41 and 45. */
export function logFindings(planned: Planned, sheet: readonly Step[]): Finding[] {
  const { holds, voided } = answersOf({ ...planned, sheet });
  const force = sheet
    .filter(({ id }) => id.startsWith("force:"))
    .flatMap(({ id }) => voided.get(id)?.reasons ?? []);
  return [
    ...isolationFinding(sheet, holds),
    ...lostFindings(planned),
    ...(force.length ? [finding("force-proof-void", [], { changes: [...new Set(force)].join(" ") })] : []),
  ];
}
