import { handlesOf, labelsOf } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import { answersOf, type Step } from "../runsheet/index.ts";
import { entryEffects, outcomes, stateNow, type Planned } from "../state/index.ts";

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

/** Trap 21: controls moved while nothing was noted as found. */
function unnotedFindings({ bundle: { board, job, log } }: Planned): Finding[] {
  if (job.found.noted) return [];
  const moved = log.flatMap((entry) =>
    entry.kind === "step"
      ? entryEffects(board, entry).flatMap((effect) =>
          effect.kind === "switches" || effect.kind === "dials" || effect.kind === "values"
            ? Object.keys(effect.to)
            : [],
        )
      : [],
  );
  if (!moved.length) return [];
  const named = handlesOf(board);
  return [finding("moved-before-noted", [], { controls: listed([...new Set(moved)].map(named)) })];
}

/** Traps 23 and 49: procedures that were begun, and only the power was switched since, or that this firmware has not. */
function begunFindings({ bundle: { board, job, log } }: Planned, sheet: readonly Step[]): Finding[] {
  const said = outcomes(log);
  return log.flatMap((entry, at): Finding[] => {
    if (entry.kind !== "begun") return [];
    const procedure = board.procedures.find(({ id }) => id === entry.procedure);
    if (!procedure)
      return [
        finding("procedure-of-another-firmware", [], {
          procedure: entry.procedure,
          found: job.found.firmware || "not noted",
        }),
      ];
    const steps = sheet.filter(({ begun }) => begun?.entry === entry.id);
    const done = steps.every(({ id }) => said.get(id)?.outcome === "seen");
    const powered = log
      .slice(at + 1)
      .flatMap((later) => entryEffects(board, later))
      .flatMap((effect) => (effect.kind === "power" ? [effect.on] : []));
    const cycled = powered.some((on, n) => on && powered[n - 1] === false);
    if (done || !cycled || !procedure.clears.length) return [];
    const labels = labelsOf(board);
    const memory = listed(procedure.clears.map((id) => labels.memory(id).toLowerCase()));
    return [finding("power-cycled-for-corruption", [], { memory, procedure: procedure.title })];
  });
}

/** Against what was done so far: traps 21, 22, 23, 41, 45 and 49. */
export function logFindings(planned: Planned, sheet: readonly Step[]): Finding[] {
  const { holds, voided } = answersOf({ ...planned, sheet });
  const force = sheet
    .filter(({ id }) => id.startsWith("force:"))
    .flatMap(({ id }) => voided.get(id)?.reasons ?? []);
  return [
    ...isolationFinding(sheet, holds),
    ...unnotedFindings(planned),
    ...begunFindings(planned, sheet),
    ...lostFindings(planned),
    ...(force.length ? [finding("force-proof-void", [], { changes: [...new Set(force)].join(" ") })] : []),
  ];
}
