import {
  readFace,
  stateAsFound,
  type BenchState,
  type BoardProfile,
  type Core,
  type JobPlan,
  type LampState,
  type Step,
} from "@anvilcloud/core";

/** What the bench shows of a board at one moment. */
export interface BenchView {
  board: BoardProfile;
  state: Pick<BenchState, "links" | "positions" | "powered">;
  lamps: Record<string, LampState>;
  /** Cores that are drawn, each on its terminal. */
  cores: readonly Core[];
}

/** The layers of the bench: the plan, the board as found, as the log leaves it, and after the step at hand. */
export type Layer = "planned" | "found" | "now" | "step";

const landedIn = (plan: JobPlan, state: BenchState) =>
  plan.wiring.cores.filter((core) => state.landed.includes(core.id));

function viewOf(plan: JobPlan, state: BenchState, lamps = readFace(plan, state).lamps): BenchView {
  return { board: plan.bundle.board, state, lamps, cores: landedIn(plan, state) };
}

/** One layer of the bench. */
export function layerView(plan: JobPlan, layer: Layer, step?: Step): BenchView {
  if (layer === "step" && step) return stepView(plan, step);
  if (layer === "now") return viewOf(plan, plan.now);
  if (layer === "found") return viewOf(plan, stateAsFound(plan.bundle));
  const links = Object.fromEntries(plan.wiring.links.map((link) => [link.id, link.planned]));
  const state = { ...stateAsFound(plan.bundle), links, positions: plan.controls.positions };
  return { ...viewOf(plan, state), cores: plan.wiring.cores };
}

/** The bench as it should look while a step's result is to be seen. */
export function stepView(plan: JobPlan, step: Step): BenchView {
  return viewOf(plan, step.during, step.lamps);
}
