import {
  findPanel,
  guideKeys,
  installationOf,
  meterText,
  planJob,
  ranStep,
  revisionEffect,
  runReport,
  showBoard,
  showPlan,
  stepMeanings,
  type BenchState,
  type BoardMoment,
  type BoardProfile,
  type JobBundle,
  type JobPlan,
  type BenchLayer,
  type Change,
  type Found,
  type KeyGuide,
  type Meaning,
  type MeterText,
  type PanelState,
  type PlanStage,
  type Ran,
  type RevisionEffect,
  type RunReport,
  type ShownBench,
  type ShownPlan,
} from "@anvilcloud/core";

/** Where the probes of the meter are: on which layer of the bench, or on the bench of a step, and with power or without. */
export interface Probes {
  bench: BenchLayer | { step: string };
  red: string;
  black: string;
  powered: boolean;
}

/** What someone sees on a panel, or the places where it can stand. */
type Sighting = { shown: readonly string[] } | { could: readonly PanelState[] };

/** All that takes the circuit to tell, worked out away from the page. What is asked about a plan is asked of the last one. */
export interface Planner {
  plan(bundle: JobBundle, onStage: (stage: PlanStage) => void): Promise<ShownPlan>;
  /** What it means when a step of the last plan did not show what it should; nothing for a step it has not. */
  meanings(step: string): Promise<Meaning[]>;
  /** A step of the last plan as the moving installation makes it; nothing where it makes no gesture. */
  ran(step: string): Promise<Ran | undefined>;
  /** What a meter should read; nothing where the last plan has no such bench. */
  meter(probes: Probes): Promise<MeterText | undefined>;
  /** Keys for some changes of the last plan's values, as the board is at a step of it or now, from a place in its menus or from outside. */
  keys(changes: readonly Change[], step?: string, at?: PanelState): Promise<KeyGuide | undefined>;
  /** Where a panel stands that shows this, or how to find out. */
  find(seen: Sighting, step?: string): Promise<Found | undefined>;
  board(profile: BoardProfile, moment: BoardMoment): Promise<ShownBench & { board: BoardProfile }>;
  revision(bundle: JobBundle, board: BoardProfile): Promise<RevisionEffect>;
  /** How a profile runs. */
  runs(profile: BoardProfile): Promise<RunReport>;
}

/** A planner that works where it is made: in the worker, or in a test. */
export function createPlanner(): Planner {
  let last: ShownPlan | undefined;
  const stepOf = (plan: JobPlan | undefined, id: string) => plan?.sheet.find((step) => step.id === id);
  /** The bench as it is now, with what is learned by the time of a step. */
  const benchAt = (plan: ShownPlan, id: string | undefined): BenchState => {
    const learned = id === undefined ? [] : (stepOf(plan, id)?.during.learned ?? []);
    return { ...plan.now, mode: "idle", learned: [...new Set([...plan.now.learned, ...learned])] };
  };
  return {
    plan(bundle, onStage) {
      last = showPlan(planJob(bundle, onStage));
      return Promise.resolve(last);
    },
    meanings(id) {
      const step = stepOf(last, id);
      return Promise.resolve(last && step ? stepMeanings(last, step) : []);
    },
    ran: (id) => Promise.resolve(last && ranStep(last, last.sheet, id)),
    meter({ bench, red, black, powered }) {
      const state = typeof bench === "string" ? last?.layers[bench].state : stepOf(last, bench.step)?.during;
      if (!last || !state) return Promise.resolve(undefined);
      const at = installationOf(last.bundle.board, last.wiring, state);
      return Promise.resolve(meterText({ ...at, powered }, red, black));
    },
    keys: (changes, step, at) => Promise.resolve(last && guideKeys(last, benchAt(last, step), changes, at)),
    find: (seen, step) => Promise.resolve(last && findPanel(last, benchAt(last, step), seen)),
    board: (profile, moment) => Promise.resolve(showBoard(profile, moment)),
    revision: (bundle, board) => Promise.resolve(revisionEffect(bundle, board)),
    runs: (profile) => Promise.resolve(runReport(profile)),
  };
}
