import {
  deliveredCards,
  foundLinks,
  foundPositions,
  wiresOf,
  withCards,
  type BenchLayer,
  type BenchState,
  type BoardMoment,
  type BoardProfile,
  type Core,
  type LampLook,
  type LampState,
  type Ran,
  type ShownBench,
  type ShownPlan,
  type Step,
} from "@anvilcloud/core";
import { useAnswer } from "../planner/index.ts";

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

const shownAlone = (
  profile: BoardProfile,
  { board, state, face }: ShownBench & { board: BoardProfile },
): BenchView => ({
  board,
  state,
  lamps: face.lamps,
  looks: face.looks,
  display: face.display,
  cards: deliveredCards(profile),
  cores: [],
});

/** A board by itself at one moment of its life; as delivered until what it shows then is worked out. */
export function useBoardView(board: BoardProfile, moment: BoardMoment): BenchView {
  const shown = useAnswer([JSON.stringify(board), moment], (planner) => planner.board(board, moment));
  return shown ? shownAlone(board, shown) : restView(board);
}

/** The layers of the bench: those of the plan, and the bench after the step at hand. */
export type Layer = BenchLayer | "step";

function viewOf(plan: ShownPlan, state: BenchState, { lamps, looks, display }: Shown): BenchView {
  const { board, job } = plan.bundle;
  const cards = job.cards ?? deliveredCards(board);
  return { board, state, lamps, looks, display, cards, cores: wiresOf(plan.wiring, state) };
}

/** One layer of the bench. */
export function layerView(plan: ShownPlan, layer: Layer, step?: Step, ran?: Ran): BenchView {
  if (layer === "step") return step ? stepView(plan, step, ran) : layerView(plan, "now");
  const { state, face } = plan.layers[layer];
  return viewOf(plan, state, face);
}

/** The bench as it should look while a step's result is to be seen; without a lamp until that is played. */
export function stepView(plan: ShownPlan, step: Step, ran: Ran | undefined): BenchView {
  return viewOf(plan, step.during, ran ?? { lamps: {}, looks: {}, display: "" });
}

/** A step as the moving installation of the job makes it; undefined until it is played. */
export const useRan = (plan: ShownPlan, step: Step | undefined): Ran | undefined =>
  useAnswer([plan, step?.id], (planner) => (step ? planner.ran(step.id) : Promise.resolve(undefined)));
