import type { BoardProfile } from "../board/index.ts";
import type { Installation } from "../circuit/index.ts";
import { foundPositions, type ControlPlan, type Positions } from "../controls/index.ts";
import type { JobBundle, StateEffect } from "../job/index.ts";
import { foundLinks, type LinkPosition, type WiringPlan } from "../wiring/index.ts";

/** A job with its plans: what the run sheet is made from. */
export interface Planned {
  bundle: JobBundle;
  wiring: WiringPlan;
  controls: ControlPlan;
}

/** The board and what hangs on it at one moment. */
export interface BenchState {
  powered: boolean;
  /** Ids of the cores that are on their terminals. */
  landed: readonly string[];
  links: Readonly<Record<string, LinkPosition>>;
  positions: Positions;
  /** Positions the board last read; those that differ are moved and not committed. */
  inForce: Positions;
  mode: string;
  learned: readonly string[];
  /** Contacts tripped just now, as `device/contact`. */
  tripped: readonly string[];
}

/** The state before the first step: nothing wired, everything as found. */
export function stateAsFound(bundle: JobBundle): BenchState {
  const positions = foundPositions(bundle.board, bundle.job.found);
  return {
    powered: false,
    landed: [],
    links: foundLinks(bundle.board, bundle.job.found.links),
    positions,
    inForce: positions,
    mode: "idle",
    learned: [],
    tripped: [],
  };
}

/** The state after one effect. */
export function applyEffect(state: BenchState, effect: StateEffect): BenchState {
  switch (effect.kind) {
    case "power":
      return { ...state, powered: effect.on, mode: "idle" };
    case "land":
      return { ...state, landed: [...new Set([...state.landed, ...effect.cores])] };
    case "link":
      return { ...state, links: { ...state.links, [effect.id]: effect.to } };
    case "switches":
      return {
        ...state,
        positions: { ...state.positions, switches: { ...state.positions.switches, ...effect.to } },
      };
    case "dials":
      return {
        ...state,
        positions: { ...state.positions, dials: { ...state.positions.dials, ...effect.to } },
      };
    case "values":
      return {
        ...state,
        positions: { ...state.positions, values: { ...state.positions.values, ...effect.to } },
      };
    case "commit":
      return { ...state, inForce: { ...state.inForce, [effect.which]: state.positions[effect.which] } };
    case "mode":
      return { ...state, mode: effect.mode };
    case "learn":
      return { ...state, learned: [...new Set([...state.learned, effect.what])] };
    case "forget":
      return { ...state, learned: state.learned.filter((each) => each !== effect.what) };
  }
}

/** The circuit of a state: its cores, links and tripped contacts. */
export function installationOf(board: BoardProfile, wiring: WiringPlan, state: BenchState): Installation {
  return {
    board,
    devices: wiring.devices,
    wires: wiring.cores.filter((core) => state.landed.includes(core.id)),
    linksIn: new Set(Object.keys(state.links).filter((id) => state.links[id] === "in")),
    tripped: new Set(state.tripped),
    powered: state.powered,
  };
}
