import type { BoardProfile } from "../board/index.ts";
import type { Installation } from "../circuit/index.ts";
import { foundPositions, type ControlPlan, type Positions } from "../controls/index.ts";
import type { JobBundle, StateEffect } from "../job/index.ts";
import { foundLinks, seated, type Core, type LinkPosition, type WiringPlan } from "../wiring/index.ts";

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
  /** Where cores were found or put by hand, whatever is planned: by pin as `device/pin`, a place or "off". */
  sits: Readonly<Record<string, string>>;
  /** Pins whose cores were landed while the board had power. */
  landedLive: readonly string[];
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

/** The pin of a core by its id, `device.pin>place`. */
const pinOfCore = (id: string) => id.slice(0, id.indexOf(">")).split(".").slice(0, 2).join("/");

/** The state with these pins joined just now, with power or without. */
function touched(state: BenchState, pins: readonly string[]): BenchState {
  const before = state.landedLive.filter((pin) => !pins.includes(pin));
  return { ...state, landedLive: state.powered ? [...before, ...pins] : before };
}

/** The state after one effect. */
export function applyEffect(state: BenchState, effect: StateEffect): BenchState {
  switch (effect.kind) {
    case "power":
      return { ...state, powered: effect.on, mode: "idle" };
    case "land": {
      const pins = effect.cores.map(pinOfCore);
      return {
        ...touched(state, pins),
        landed: [...new Set([...state.landed, ...effect.cores])],
        sits: Object.fromEntries(Object.entries(state.sits).filter(([pin]) => !pins.includes(pin))),
      };
    }
    case "move": {
      const on = effect.moves.filter(({ to }) => to !== "off").map(({ pin }) => pin);
      const sits = Object.fromEntries(effect.moves.map(({ pin, to }) => [pin, to]));
      return { ...touched(state, on), sits: { ...state.sits, ...sits } };
    }
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

/** Cores as they sit: where they were found, else where the plan has them once they are landed. */
export function wiresOf(
  { cores }: Pick<WiringPlan, "cores">,
  state: Pick<BenchState, "landed" | "sits">,
): Core[] {
  return cores.flatMap((core) => {
    const found = state.sits[core.from];
    if (found === undefined) return state.landed.includes(core.id) ? [core] : [];
    return found === "off" ? [] : [seated(core, found)];
  });
}

/** The circuit of a state: its cores, links and tripped contacts. */
export function installationOf(board: BoardProfile, wiring: WiringPlan, state: BenchState): Installation {
  const planned = new Set(wiring.cores.map((core) => core.from));
  const pins = new Set(
    wiring.devices.flatMap(({ id, profile }) => profile.pins.map((pin) => `${id}/${pin.id}`)),
  );
  // A core may have been found on a pin for which nothing is planned.
  const others = Object.entries(state.sits)
    .filter(([pin, to]) => to !== "off" && !planned.has(pin) && pins.has(pin))
    .map(([pin, to]) => ({ id: `${pin}>${to}`, from: pin, to }));
  return {
    board,
    devices: wiring.devices,
    wires: [...wiresOf(wiring, state), ...others],
    linksIn: new Set(Object.keys(state.links).filter((id) => state.links[id] === "in")),
    tripped: new Set(state.tripped),
    powered: state.powered,
  };
}
