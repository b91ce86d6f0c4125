import { deliveredCards, type BoardInput } from "../board/index.ts";
import { readCircuit, type Readings } from "../circuit/index.ts";
import { panelAtRest } from "../panel/index.ts";
import { installationOf, readingsOf, type BenchState, type Face, type Planned } from "../state/index.ts";
import { brainOf, faceOf, type Brain } from "./brain/index.ts";
import { twinOf, type Twin } from "./step/index.ts";

const isTripped = (input: BoardInput, { inputs }: Readings): boolean =>
  (inputs[input.id]?.closed ?? false) !== (input.contact === "closed");

/** The board of a job, running from where it stands at a step. */
export function brainAt(
  { bundle: { board, job } }: Pick<Planned, "bundle">,
  state: BenchState,
  readings: Readings,
): Brain {
  const brain = brainOf(board, job.cards ?? deliveredCards(board), job.survey.leaves.length);
  const leaf = state.leaf ?? "closed";
  return Object.assign(brain, {
    power: state.powered,
    mains: state.supply === "mains",
    battery: state.battery,
    mode: state.mode,
    held: {
      ...Object.fromEntries(state.learned.map((memory) => [memory, 1])),
      ...Object.fromEntries(Object.entries(state.held).filter(([, count]) => count > 0)),
    },
    positions: state.positions,
    inForce: state.inForce,
    noted: state.positions,
    fault: state.fault,
    panel: panelAtRest(board, state.positions.values),
    at: { first: leaf, second: leaf },
    tripped: new Set(board.inputs.filter((input) => isTripped(input, readings)).map(({ id }) => id)),
  });
}

/** What the board of a job shows as it stands at a step, and how its inputs read. */
export function faceAt(planned: Pick<Planned, "bundle" | "wiring">, state: BenchState): Face {
  const readings = readingsOf(planned, state);
  return { ...faceOf(brainAt(planned, state, readings)), readings };
}

/** The whole installation of a job, running from where it stands at a step. */
export function twinAt(planned: Planned, state: BenchState): Twin {
  const at = installationOf(planned.bundle.board, planned.wiring, state);
  return twinOf(brainAt(planned, state, readCircuit(at)), planned, at, state.sits);
}
