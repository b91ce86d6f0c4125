import type { BoardProfile } from "../board/index.ts";
import { partKey } from "../node/index.ts";
import {
  applyEffect,
  lampReason,
  readFace,
  stateAsFound,
  type BenchState,
  type Face,
  type Planned,
} from "../state/index.ts";
import type { Seen, Step, StepDraft } from "./step.ts";
import { forceSteps } from "./steps/force.ts";
import { procedureSteps } from "./steps/procedure.ts";
import { handOverSteps, proveSteps } from "./steps/prove.ts";
import { railSteps } from "./steps/rails.ts";
import { commitSteps, setSteps, valueSteps } from "./steps/set.ts";
import { batterySteps, wireSteps } from "./steps/wire.ts";

/** The state after all effects of a step; a contact it trips is clear again. */
function afterStep(state: BenchState, step: Pick<StepDraft, "effects">): BenchState {
  return step.effects.reduce(applyEffect, state);
}

function seenLamps(
  planned: Planned,
  board: BoardProfile,
  before: Face,
  during: BenchState,
  face: Face,
  step: StepDraft,
): Seen[] {
  const justPowered = step.effects.some((effect) => effect.kind === "power" && effect.on);
  return board.lamps
    .filter(
      (lamp) =>
        justPowered || step.alwaysSee?.includes(lamp.id) || before.lamps[lamp.id] !== face.lamps[lamp.id],
    )
    .map((lamp) => ({
      kind: "lamp",
      lamp: lamp.id,
      label: lamp.label,
      is: face.lamps[lamp.id] ?? "dark",
      was: before.lamps[lamp.id] ?? "dark",
      why: lampReason(planned, during, face, lamp),
      ...(face.looks[lamp.id] ? { look: face.looks[lamp.id] } : {}),
    }));
}

function withExpectations(
  planned: Planned,
  step: StepDraft,
  before: BenchState,
): { step: Step; after: BenchState } {
  const after = afterStep(before, step);
  const during: BenchState = step.trips ? { ...after, tripped: [partKey(step.trips)] } : after;
  const face = readFace(planned, during);
  const was = readFace(planned, before);
  const lamps = seenLamps(planned, planned.bundle.board, was, during, face, step);
  const texts = (step.alsoSee ?? []).map((text): Seen => ({ kind: "text", text }));
  const display = step.shows ?? face.display;
  const shown: Seen[] = display && display !== was.display ? [{ kind: "display", text: display }] : [];
  const see = [...lamps, ...shown, ...texts];
  return { step: { ...step, see, during, lamps: face.lamps, looks: face.looks, display }, after };
}

/**
 * The run sheet: every step in the order of the work. What should be seen at each is read from the model as it stands
 * at that step, with every step before it done.
 */
export function runSheet(planned: Planned): Step[] {
  let state = stateAsFound(planned.bundle);
  const steps: Step[] = [];
  const take = (drafts: readonly StepDraft[]) => {
    for (const draft of drafts) {
      const { step, after } = withExpectations(planned, draft, state);
      steps.push(step);
      state = after;
    }
  };
  take(wireSteps(planned));
  take(setSteps(planned));
  take([
    ...procedureSteps(planned, "power-up"),
    ...railSteps(planned),
    ...batterySteps(planned),
    ...valueSteps(planned),
    ...commitSteps(planned),
  ]);
  take(procedureSteps(planned, "travel"));
  take([...procedureSteps(planned, "force"), ...forceSteps(planned)]);
  take(procedureSteps(planned, "remotes"));
  take([...procedureSteps(planned, "prove"), ...proveSteps(planned, state)]);
  take(handOverSteps(planned));
  return steps;
}
