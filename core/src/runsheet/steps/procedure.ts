import type { Effect, Procedure } from "../../board/index.ts";
import type { StateEffect } from "../../job/index.ts";
import type { Planned } from "../state.ts";
import type { StepDraft } from "../step.ts";

function effectsOf(planned: Planned, effect: Effect): StateEffect[] {
  const effects: StateEffect[] = [];
  if (effect.power !== undefined) effects.push({ kind: "power", on: effect.power });
  if (effect.mode !== undefined) effects.push({ kind: "mode", mode: effect.mode });
  if (effect.learn !== undefined) effects.push({ kind: "learn", what: effect.learn });
  if (effect.forget !== undefined) effects.push({ kind: "forget", what: effect.forget });
  const commit = planned.bundle.board.commits.find((each) => each.id === effect.commit);
  if (commit) effects.push({ kind: "commit", which: commit.for });
  return effects;
}

/** What a learning depends on: when one of these changes, its steps are asked for again. */
function basis({ bundle, controls }: Planned): string {
  const leaves = bundle.job.survey.leaves.map((leaf) => `${leaf.id}${leaf.openingDegrees}`).join("+");
  const dials = Object.entries(controls.positions.dials).map(([id, clock]) => `${id}@${clock}`);
  return [leaves, ...dials].join(";");
}

function procedureStepsOf(planned: Planned, procedure: Procedure): StepDraft[] {
  const suffix = procedure.steps.some((step) => step.effects.learn === "travel") ? `:${basis(planned)}` : "";
  return procedure.steps.map((step, at) => {
    const key = "hold" in step.do ? step.do.hold.key : "press" in step.do ? step.do.press.key : undefined;
    return {
      id: `do:${procedure.id}:${step.id}${suffix}`,
      station: procedure.station,
      title:
        procedure.steps.length > 1
          ? `${procedure.title}, ${at + 1} of ${procedure.steps.length}`
          : procedure.title,
      says: step.says,
      caution: step.caution,
      gesture: step.do,
      effects: effectsOf(planned, step.effects),
      alsoSee: step.see ? [step.see] : [],
      ifNot: step.ifNot,
      needs: procedure.needs,
      source: procedure.source,
      subjects: key ? [{ kind: "key", id: key }] : [],
    };
  });
}

/** The profile's own procedures for a station, as steps; those for another number of leaves are left out. */
export function procedureSteps(planned: Planned, station: Procedure["station"]): StepDraft[] {
  const leaves = planned.bundle.job.survey.leaves.length;
  return planned.bundle.board.procedures
    .filter((procedure) => procedure.station === station)
    .filter((procedure) => procedure.leaves === undefined || procedure.leaves === leaves)
    .flatMap((procedure) => procedureStepsOf(planned, procedure));
}
