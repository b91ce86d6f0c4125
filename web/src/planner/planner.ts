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
  suitsOf,
  trialOf,
  sightsOf,
  type BenchState,
  type BoardMoment,
  type BoardProfile,
  type JobBundle,
  type JobPlan,
  type BenchLayer,
  type Change,
  type DeviceProfile,
  type Found,
  type KeyGuide,
  type MeterText,
  type PanelState,
  type PlanStage,
  type Ran,
  type RevisionEffect,
  type RunReport,
  type ShownBench,
  type ShownPlan,
  type Sights,
  type SightsSoFar,
  type Suit,
  type Trial,
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
  /** A step of the last plan as the moving installation makes it; nothing for a step it has not. */
  ran(step: string): Promise<Ran | undefined>;
  /** How a step of the last plan would look with each single fault; told how far it is. Nothing once there is another plan, or another question of this kind. */
  sights(step: string, onPart: (soFar: SightsSoFar) => void): Promise<Sights | undefined>;
  /** The last plan's job run once; nothing where nothing of it can run. */
  trial(): Promise<Trial | undefined>;
  /** What a meter should read; nothing where the last plan has no such bench. */
  meter(probes: Probes): Promise<MeterText | undefined>;
  /** Keys for some changes of the last plan's values, as the board is at a step of it or now, from a place in its menus or from outside. */
  keys(changes: readonly Change[], step?: string, at?: PanelState): Promise<KeyGuide | undefined>;
  /** Where a panel stands that shows this, or how to find out. */
  find(seen: Sighting, step?: string): Promise<Found | undefined>;
  board(profile: BoardProfile, moment: BoardMoment): Promise<ShownBench & { board: BoardProfile }>;
  revision(bundle: JobBundle, board: BoardProfile): Promise<RevisionEffect>;
  /** How each device of the catalogue would go with the last plan's job, those that fit first. */
  suits(devices: readonly DeviceProfile[]): Promise<readonly Suit[]>;
  /** How a profile runs. */
  runs(profile: BoardProfile): Promise<RunReport>;
}

/** What else is asked may be answered between. */
const breathes = () => new Promise((go) => setTimeout(go, 0));

/** A planner that works where it is made: in the worker, or in a test. */
export function createPlanner(): Planner {
  let last: ShownPlan | undefined;
  const ran = new Map<string, Ran | undefined>();
  const seen = new Map<string, Sights>();
  /** Questions for sights so far: only the last is worked on. */
  let asked = 0;
  let trial: { of: ShownPlan; is: Trial | undefined } | undefined;
  const stepOf = (plan: JobPlan | undefined, id: string) => plan?.sheet.find((step) => step.id === id);
  /** The bench as it is now, with what is learned by the time of a step. */
  const benchAt = (plan: ShownPlan, id: string | undefined): BenchState => {
    const learned = id === undefined ? [] : (stepOf(plan, id)?.during.learned ?? []);
    return { ...plan.now, mode: "idle", learned: [...new Set([...plan.now.learned, ...learned])] };
  };
  return {
    plan(bundle, onStage) {
      last = showPlan(planJob(bundle, onStage));
      ran.clear();
      seen.clear();
      return Promise.resolve(last);
    },
    ran(id) {
      if (last && !ran.has(id)) ran.set(id, ranStep(last, last.sheet, id));
      return Promise.resolve(ran.get(id));
    },
    trial() {
      if (last && trial?.of !== last) trial = { of: last, is: trialOf(last) };
      return Promise.resolve(trial?.is);
    },
    async sights(id, onPart) {
      const plan = last;
      const known = seen.get(id);
      if (!plan || known) return known;
      const playing = sightsOf(plan, plan.sheet, id);
      const own = ++asked;
      for (let part = playing.next(); last === plan && asked === own; part = playing.next()) {
        if (part.done) {
          if (part.value) seen.set(id, part.value);
          return part.value;
        }
        onPart(part.value);
        await breathes();
      }
      return undefined;
    },
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
    suits: (devices) => Promise.resolve(last ? suitsOf(last.bundle.job, last.bundle.board, devices) : []),
    runs: (profile) => Promise.resolve(runReport(profile)),
  };
}
