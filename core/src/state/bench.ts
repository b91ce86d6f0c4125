import { foundPositions, type ControlPlan, type Positions } from "../controls/index.ts";
import type { JobBundle, StateEffect } from "../job/index.ts";
import { nodeKey, type PartKey, type PinNode } from "../node/index.ts";
import { foundLinks, type LinkPosition, type Sits, type WiringPlan } from "../wiring/index.ts";

/** A job with its plans: what a bench is read by, and the run sheet is made from. */
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
  /** Where cores were found or put by hand, whatever is planned. */
  sits: Sits;
  /** Pins whose cores were landed while the board had power. */
  landedLive: readonly PinNode[];
  links: Readonly<Record<string, LinkPosition>>;
  positions: Positions;
  /** Positions the board last read; those that differ are moved and not committed. */
  inForce: Positions;
  mode: string;
  learned: readonly string[];
  /** Contacts tripped just now. */
  tripped: readonly PartKey[];
}

/** The state before the first step: nothing wired, everything as found. */
export function stateAsFound(bundle: JobBundle): BenchState {
  const positions = foundPositions(bundle.board, bundle.job.found);
  return {
    powered: false,
    landed: [],
    sits: {},
    landedLive: [],
    links: foundLinks(bundle.board, bundle.job.found.links),
    positions,
    inForce: positions,
    mode: "idle",
    learned: [],
    tripped: [],
  };
}

/** The state with these pins joined just now, with power or without. */
function touched(state: BenchState, pins: readonly PinNode[]): BenchState {
  const keys = new Set(pins.map(nodeKey));
  const before = state.landedLive.filter((pin) => !keys.has(nodeKey(pin)));
  return { ...state, landedLive: state.powered ? [...before, ...pins] : before };
}

/** Seats without those of these pins: their cores are where they are planned again. */
function withoutSeats(sits: Sits, pins: readonly PinNode[]): Sits {
  const keys = new Set<string>(pins.map(nodeKey));
  return Object.fromEntries(Object.entries(sits).filter(([key]) => !keys.has(key)));
}

const moved = (
  state: BenchState,
  kind: keyof Positions,
  to: Readonly<Record<string, string>>,
): BenchState => ({
  ...state,
  positions: { ...state.positions, [kind]: { ...state.positions[kind], ...to } },
});

/** The state after one effect. */
export function applyEffect(state: BenchState, effect: StateEffect): BenchState {
  switch (effect.kind) {
    case "power":
      return { ...state, powered: effect.on, mode: "idle" };
    case "land":
      return {
        ...touched(state, effect.pins),
        landed: [...new Set([...state.landed, ...effect.cores])],
        sits: withoutSeats(state.sits, effect.pins),
      };
    case "move": {
      const on = effect.moves.filter(({ to }) => to !== "off").map(({ pin }) => pin);
      const sits = Object.fromEntries(effect.moves.map(({ pin, to }) => [nodeKey(pin), { pin, seat: to }]));
      return { ...touched(state, on), sits: { ...state.sits, ...sits } };
    }
    case "link":
      return { ...state, links: { ...state.links, [effect.id]: effect.to } };
    case "switches":
    case "dials":
    case "values":
      return moved(state, effect.kind, effect.to);
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
