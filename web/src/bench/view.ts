import {
  deliveredCards,
  draftJob,
  foundLinks,
  foundPositions,
  planJob,
  readFace,
  stateAsFound,
  wiresOf,
  withCards,
  type BenchState,
  type BoardProfile,
  type Core,
  type JobPlan,
  type LampLook,
  type LampState,
  type Step,
} from "@anvilcloud/core";

/** What the bench shows of a board at one moment. */
export interface BenchView {
  board: BoardProfile;
  state: Pick<BenchState, "links" | "positions" | "powered">;
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  /** What stands on the display, lines parted by |. */
  display: string;
  /** Cards in their slots. */
  cards: readonly string[];
  /** Cores that are drawn, each on its terminal. */
  cores: readonly Core[];
}

type Shown = Pick<BenchView, "lamps" | "looks" | "display">;

/** A board by itself as it is delivered: no power, no devices, cards as it comes. */
export function restView(board: BoardProfile): BenchView {
  const cards = deliveredCards(board);
  const full = withCards(board, cards);
  return {
    board: full,
    state: { links: foundLinks(full, {}), positions: foundPositions(full), powered: false },
    lamps: {},
    looks: {},
    display: "",
    cards,
    cores: [],
  };
}

/** A board by itself at one moment of its life: as delivered, with power, or with everything learned. */
export function shownView(board: BoardProfile, moment: "rest" | "powered" | "learned"): BenchView {
  const job = draftJob("look", "look", "look", board);
  const plan = planJob({ format: "anvilcloud/job@1", job, board, devices: [], log: [] });
  const learned = moment === "learned" ? plan.bundle.board.memories.map((memory) => memory.id) : [];
  return viewOf(plan, { ...stateAsFound(plan.bundle), powered: moment !== "rest", learned });
}

/** The layers of the bench: the plan, the board as found, as the log leaves it, and after the step at hand. */
export type Layer = "planned" | "found" | "now" | "step";

function viewOf(plan: JobPlan, state: BenchState, shown: Shown = readFace(plan, state)): BenchView {
  const { board, job } = plan.bundle;
  const { lamps, looks, display } = shown;
  const cards = job.cards ?? deliveredCards(board);
  return { board, state, lamps, looks, display, cards, cores: wiresOf(plan.wiring, state) };
}

/** The state a layer shows; the plan's is everything wired and set, with power. */
export function layerState(plan: JobPlan, layer: Layer, step?: Step): BenchState {
  if (layer === "step" && step) return step.during;
  if (layer === "now") return plan.now;
  const found = stateAsFound(plan.bundle);
  if (layer === "found") return found;
  const links = Object.fromEntries(plan.wiring.links.map((link) => [link.id, link.planned]));
  const landed = plan.wiring.cores.map((core) => core.id);
  return { ...found, links, landed, positions: plan.controls.positions };
}

/** One layer of the bench. */
export function layerView(plan: JobPlan, layer: Layer, step?: Step): BenchView {
  if (layer === "step" && step) return stepView(plan, step);
  return viewOf(plan, layerState(plan, layer, step));
}

/** The bench as it should look while a step's result is to be seen. */
export function stepView(plan: JobPlan, step: Step): BenchView {
  return viewOf(plan, step.during, step);
}
