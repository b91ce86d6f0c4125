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
import { brainAt, placeOf, type Brain } from "../twin/index.ts";
import { happenedSeen, runStep } from "./run.ts";
import type { Seen, Step, StepDraft } from "./step.ts";
import { forceSteps } from "./steps/force.ts";
import { begunSteps, procedureSteps } from "./steps/procedure.ts";
import { handOverSteps, proveSteps } from "./steps/prove.ts";
import { railSteps } from "./steps/rails.ts";
import { asideSteps, remoteSteps } from "./steps/asked.ts";
import { senseSteps } from "./steps/sense.ts";
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
  running: Brain | undefined,
): { step: Step; after: BenchState; running: Brain | undefined } {
  const after = afterStep(before, step);
  const during: BenchState = step.trips ? { ...after, tripped: [partKey(step.trips)] } : after;
  const face = readFace(planned, during);
  const was = readFace(planned, before);
  const lamps = seenLamps(planned, planned.bundle.board, was, during, face, step);
  // The steps of a procedure run on one board, from where it stood when the first began.
  const brain = step.gestures && (step.after ? running : brainAt(planned, before, was.readings));
  const events = brain && runStep(brain, step);
  const happened = events ? happenedSeen(brain, events) : [];
  const texts = [...happened, ...(step.alsoSee ?? []).map((text): Seen => ({ kind: "text", text }))];
  const display = step.shows ?? face.display;
  const shown: Seen[] = display && display !== was.display ? [{ kind: "display", text: display }] : [];
  const see = [...lamps, ...shown, ...texts];
  const full = { ...step, see, during, lamps: face.lamps, looks: face.looks, display };
  if (!events?.some(({ kind }) => kind === "moves")) return { step: full, after, running: events && brain };
  // Where the leaves come to rest is what was run, whatever the profile says of it.
  const leaf = { kind: "leaf", at: placeOf(brain!) } as const;
  const effects = [...step.effects.filter(({ kind }) => kind !== "leaf"), leaf];
  return { step: { ...full, effects }, after: applyEffect(after, leaf), running: brain };
}

/**
 * The run sheet: every step in the order of the work. What should be seen at each is read from the model as it stands
 * at that step, with every step before it done.
 */
export function runSheet(planned: Planned): Step[] {
  let state = stateAsFound(planned.bundle);
  let running: Brain | undefined;
  const steps: Step[] = [];
  const take = (drafts: readonly StepDraft[]) => {
    for (const draft of drafts) {
      const made = withExpectations(planned, draft, state, running);
      steps.push(made.step);
      state = made.after;
      running = made.running;
    }
  };
  const wired = wireSteps(planned);
  // What is taken off and fitted comes behind the isolation and before the first core.
  const isolated = wired.findLastIndex(({ isolates }) => isolates) + 1;
  take([...wired.slice(0, isolated), ...procedureSteps(planned, "wire"), ...wired.slice(isolated)]);
  take(setSteps(planned));
  take([
    ...procedureSteps(planned, "power-up"),
    ...railSteps(planned),
    ...batterySteps(planned),
    ...senseSteps(planned, "power-up"),
    ...valueSteps(planned, "power-up"),
    ...commitSteps(planned, "power-up"),
  ]);
  take([
    ...procedureSteps(planned, "travel"),
    ...valueSteps(planned, "travel"),
    ...commitSteps(planned, "travel"),
  ]);
  take([...procedureSteps(planned, "force"), ...forceSteps(planned)]);
  take([...procedureSteps(planned, "remotes"), ...remoteSteps(planned)]);
  take([
    ...senseSteps(planned, "prove"),
    ...procedureSteps(planned, "prove"),
    ...proveSteps(planned, state),
    ...asideSteps(planned),
  ]);
  take(begunSteps(planned));
  take(handOverSteps(planned));
  return steps;
}
