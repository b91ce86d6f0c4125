import type { BoardProfile } from "../board/index.ts";
import { readCircuit, type Readings } from "../circuit/index.ts";
import { draftJob, jobFormat } from "../job/index.ts";
import { installationOf, stateAsFound, type BenchState, type Face } from "../state/index.ts";
import { faceAt } from "../twin/index.ts";
import { differencesOf, effectOf, effectText, type Difference } from "../wiring/index.ts";
import { planJob, type JobPlan } from "./plan.ts";

/** Layers of the bench: as planned, as found, and as the log leaves it. */
export type BenchLayer = "planned" | "found" | "now";

/** A bench at one moment with what it shows. */
export interface ShownBench {
  state: BenchState;
  face: Face;
}

/** A plan with all that a page shows of it and that takes the circuit to tell, so that no page needs to solve one. */
export interface ShownPlan extends JobPlan {
  layers: Record<BenchLayer, ShownBench>;
  /** Cores that do not sit as planned, each with what that does, and how the circuit reads with them and without. */
  asWired: { differences: (Difference & { effect: string })[]; now: Readings; planned: Readings };
}

/** The bench with everything wired and set as planned, with power off. */
function plannedState({ bundle, wiring, controls }: JobPlan): BenchState {
  return {
    ...stateAsFound(bundle),
    links: Object.fromEntries(wiring.links.map((link) => [link.id, link.planned])),
    landed: wiring.cores.map((core) => core.id),
    positions: controls.positions,
  };
}

function asWiredOf({ bundle: { board }, wiring, ahead }: JobPlan): ShownPlan["asWired"] {
  const at = installationOf(board, wiring, ahead);
  const links = Object.fromEntries(wiring.links.map((link) => [link.id, link.planned]));
  const landed = wiring.cores.map((core) => core.id);
  const wired: BenchState = { ...ahead, landed, links, tripped: [], powered: true };
  const read = (state: BenchState) => readCircuit(installationOf(board, wiring, state));
  return {
    differences: differencesOf(wiring.devices, wiring.cores, ahead.sits).map((difference) => ({
      ...difference,
      effect: effectText(effectOf(at, wiring.devices, difference)),
    })),
    now: read(wired),
    planned: read({ ...wired, sits: {} }),
  };
}

/** Works out what a page shows of a plan. */
export function showPlan(plan: JobPlan): ShownPlan {
  const bench = (state: BenchState): ShownBench => ({ state, face: faceAt(plan, state) });
  return {
    ...plan,
    layers: {
      planned: bench(plannedState(plan)),
      found: bench(stateAsFound(plan.bundle)),
      now: bench(plan.now),
    },
    asWired: asWiredOf(plan),
  };
}

/** Moments in the life of a board by itself: as delivered, with power, with everything learned. */
export type BoardMoment = "rest" | "powered" | "learned";

/** A board by itself, as delivered, at one moment: the profile as it is then read, and what it shows. */
export function showBoard(profile: BoardProfile, moment: BoardMoment): ShownBench & { board: BoardProfile } {
  const job = draftJob("look", "look", "look", profile);
  const plan = planJob({ format: jobFormat, job, board: profile, devices: [], log: [] });
  const { board } = plan.bundle;
  const learned = moment === "learned" ? board.memories.map((memory) => memory.id) : [];
  const state = { ...stateAsFound(plan.bundle), powered: moment !== "rest", learned };
  return { board, state, face: faceAt(plan, state) };
}
