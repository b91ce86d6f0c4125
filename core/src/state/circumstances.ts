import { deliveredCards, type BehaviourId, type Circumstances } from "../board/index.ts";
import type { Readings } from "../circuit/index.ts";
import { behavioursAt, movedControls, type Positions, type Standing } from "../controls/index.ts";
import type { BenchState, Planned } from "./bench.ts";

/** Kinds of control that stand differently from what the board last read. */
export function pendingKinds({
  positions,
  inForce,
}: Pick<BenchState, "positions" | "inForce">): (keyof Positions)[] {
  const moved = movedControls(positions, inForce);
  return (["dials", "switches", "values"] as const).filter((kind) => moved[kind].length > 0);
}

const isFitted = ({ bundle: { board, job } }: Pick<Planned, "bundle">, card: string) =>
  (job.cards ?? deliveredCards(board)).includes(card);

/** Everything a condition may ask of a bench beside its settings; inputs by what the circuit makes of them. */
function standingOf(planned: Pick<Planned, "bundle">, state: BenchState, readings: Readings): Standing {
  return {
    power: (on) => state.powered === on,
    reads: (input, as) => (readings.inputs[input]?.closed ?? false) === (as === "closed"),
    learned: (memory, yes) => state.learned.includes(memory) === yes,
    mode: (word) => state.mode === word,
    pending: (yes) => pendingKinds(state).length > 0 === yes,
    fitted: (card) => isFitted(planned, card),
    // At rest: where the leaves were last seen, and no time that runs.
    leaf: (where) => state.leaf === where || (where === "stopped" && state.leaf === "between"),
    supply: (from) => state.supply === from,
    battery: (is) => state.battery === is,
    timer: () => false,
    fault: (code) => state.fault === code,
  };
}

/** The bench as conditions ask for it: settings as they are in force, an input that one of them switches off as at rest. */
export function circumstancesOf(
  planned: Pick<Planned, "bundle">,
  state: BenchState,
  readings: Readings,
): Circumstances {
  const { board } = planned.bundle;
  const standing = standingOf(planned, state, readings);
  let given: ReturnType<typeof behavioursAt> | undefined;
  const inForce = (id: BehaviourId) => (given ??= behavioursAt(board, state.inForce, standing))[id];
  const isOff = (id: string) => {
    const off = board.inputs.find((input) => input.id === id)?.off;
    return off !== undefined && inForce(off.behaviour) === off.is;
  };
  return {
    ...standing,
    reads: (input, as) => (standing.reads(input, "closed") || isOff(input)) === (as === "closed"),
    behaviour: (id, fits) => fits(inForce(id)),
    control: (id, at) => (state.positions.switches[id] ?? state.positions.dials[id]) === at,
  };
}

/** A plan as conditions ask for it before anything is done: by its settings and cards; what neither decides counts as so. */
export function plannedCircumstances(planned: Pick<Planned, "bundle" | "controls">): Circumstances {
  const { positions } = planned.controls;
  const given = behavioursAt(planned.bundle.board, positions);
  return {
    power: () => true,
    reads: () => true,
    learned: () => true,
    mode: () => true,
    pending: () => true,
    behaviour: (id, fits) => fits(given[id]),
    control: (id, at) => (positions.switches[id] ?? positions.dials[id]) === at,
    fitted: (card) => isFitted(planned, card),
    leaf: () => true,
    supply: () => true,
    battery: () => true,
    timer: () => true,
    fault: () => true,
  };
}
