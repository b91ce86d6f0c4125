import { foundPositions, type ControlPlan, type Positions } from "../controls/index.ts";
import type { BatteryState, LeafPlace, SupplyState } from "../board/index.ts";
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
  /** How many things each memory holds that holds several. */
  held: Readonly<Record<string, number>>;
  /** Where the leaves were last seen at rest; undefined while nobody has seen them. */
  leaf?: LeafPlace;
  supply: SupplyState;
  battery: BatteryState;
  /** The code it shows. */
  fault?: string;
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
    held: {},
    supply: "mains",
    battery: "good",
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

/** The state with so many things in a memory; with none it is empty. */
function holding(state: BenchState, memory: string, count: number): BenchState {
  const others = state.learned.filter((each) => each !== memory);
  return {
    ...state,
    learned: count > 0 ? (state.learned.includes(memory) ? state.learned : [...others, memory]) : others,
    held: { ...state.held, [memory]: count },
  };
}

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
      return holding(state, effect.what, Math.max(1, state.held[effect.what] ?? 0));
    case "forget":
      return holding(state, effect.what, 0);
    case "add":
      return holding(state, effect.what, (state.held[effect.what] ?? 0) + 1);
    case "drop":
      return holding(state, effect.what, Math.max(0, (state.held[effect.what] ?? 1) - 1));
    case "leaf":
      return { ...state, leaf: effect.at };
    case "supply":
      return { ...state, supply: effect.from };
    case "battery":
      return { ...state, battery: effect.is };
    case "fault": {
      const { fault: _gone, ...rest } = state;
      return effect.code === undefined ? rest : { ...rest, fault: effect.code };
    }
  }
}
