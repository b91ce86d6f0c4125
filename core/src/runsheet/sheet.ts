import { partKey } from "../node/index.ts";
import { applyEffect, readingsOf, stateAsFound, type BenchState, type Planned } from "../state/index.ts";
import { brainAt, make, placeOf, settles, type Brain, type BrainEvent } from "../twin/index.ts";
import type { Step, StepDraft } from "./step.ts";
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

/** Makes a step's gestures on the running board; undefined where one cannot be made, is refused or held off. */
function ranEvents(brain: Brain, { gestures }: StepDraft): readonly BrainEvent[] | undefined {
  brain.events = [];
  const made = (gestures ?? []).every((gesture) => make(brain, gesture));
  const refused = brain.events.some(({ kind }) => kind === "refused" || kind === "held-off");
  return made && !refused ? brain.events : undefined;
}

const claimsLeaf = ({ effects }: StepDraft): boolean => effects.some(({ kind }) => kind === "leaf");

/** What has come of the sheet so far: the bench, and the board that a procedure under way runs on. */
interface SoFar {
  state: BenchState;
  running?: Brain | undefined;
}

/** A step in its place, and what has come of the sheet with it; what the last step of a procedure sets off comes to its end. */
function placed(
  planned: Planned,
  step: StepDraft,
  { state, running }: SoFar,
  last: boolean,
): { step: Step; then: SoFar } {
  const after = afterStep(state, step);
  const during: BenchState = step.trips ? { ...after, tripped: [partKey(step.trips)] } : after;
  // The steps of a procedure run on one board, from where it stood when the first began.
  const brain = step.gestures && (step.after ? running : brainAt(planned, state, readingsOf(planned, state)));
  const events = brain && ranEvents(brain, step);
  const tells = events && (events.some(({ kind }) => kind === "moves") || claimsLeaf(step));
  if (!tells) return { step: { ...step, during }, then: { state: after, running: events && brain } };
  // Before whoever goes on with the next procedure is ready, it has come to rest, and closed where it does so by itself.
  if (last) settles(brain!);
  // Where the leaves come to rest is what was run, whatever the profile says of it.
  const leaf = { kind: "leaf", at: placeOf(brain!) } as const;
  const effects = [...step.effects.filter(({ kind }) => kind !== "leaf"), leaf];
  return {
    step: { ...step, effects, during },
    then: { state: applyEffect(after, leaf), running: brain },
  };
}

/** The run sheet: every step in the order of the work, each with the bench as it stands then, every step before it done. */
export function runSheet(planned: Planned): Step[] {
  let soFar: SoFar = { state: stateAsFound(planned.bundle) };
  const steps: Step[] = [];
  const take = (drafts: readonly StepDraft[]) => {
    for (const draft of drafts) {
      const { step, then } = placed(planned, draft, soFar, !drafts.some(({ after }) => after === draft.id));
      steps.push(step);
      soFar = then;
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
    ...proveSteps(planned, soFar.state),
    ...asideSteps(planned),
  ]);
  take(begunSteps(planned));
  take(handOverSteps(planned));
  return steps;
}
