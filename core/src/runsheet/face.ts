import { deliveredCards, type Condition, type Lamp } from "../board/index.ts";
import { readCircuit, type Element, type Readings } from "../circuit/index.ts";
import { behavioursAt, movedControls } from "../controls/index.ts";
import { listed } from "../quantity/index.ts";
import { installationOf, type BenchState, type Planned } from "./state.ts";

export type LampState = "lit" | "blinking" | "dark";

/** How a lamp looks beyond lit, blinking or dark: in its second colour, or in counted flashes. */
export interface LampLook {
  other?: boolean;
  flashes?: number;
}

/** What the board shows at a moment, and the circuit behind it. */
export interface Face {
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  /** What the display shows outside its menus, lines parted by |; empty when dark. */
  display: string;
  readings: Readings;
  pending: boolean;
}

/** True when every key of the condition holds in this state. */
export function conditionHolds(
  condition: Condition,
  state: BenchState,
  readings: Readings,
  planned: Planned,
): boolean {
  const { powered, closed, open, learned, unlearned, mode, pending } = condition;
  if (powered !== undefined && state.powered !== powered) return false;
  if (closed !== undefined && !readings.inputs[closed]?.closed && !switchedOff(closed, state, planned))
    return false;
  if (open !== undefined && (readings.inputs[open]?.closed || switchedOff(open, state, planned)))
    return false;
  if (learned !== undefined && !state.learned.includes(learned)) return false;
  if (unlearned !== undefined && state.learned.includes(unlearned)) return false;
  if (mode !== undefined && state.mode !== mode) return false;
  if (pending !== undefined && isPending(state) !== pending) return false;
  return settingsHold(condition, state, planned);
}

/** True when what the condition says of controls, behaviours and cards holds. */
export function settingsHold(
  condition: Condition,
  state: Pick<BenchState, "positions" | "inForce">,
  planned: Pick<Planned, "bundle">,
): boolean {
  const { behaviour, is, atLeast, control, at, card } = condition;
  const { board, job } = planned.bundle;
  if (card !== undefined && !(job.cards ?? deliveredCards(board)).includes(card)) return false;
  if (control !== undefined && (state.positions.switches[control] ?? state.positions.dials[control]) !== at)
    return false;
  if (behaviour === undefined) return true;
  const value = behavioursAt(board, state.inForce)[behaviour];
  if (is !== undefined && value !== is) return false;
  return atLeast === undefined || (typeof value === "number" && value >= atLeast);
}

/** True when a setting in force switches this input off, so that it counts as at rest whatever it reads. */
export function switchedOff(
  inputId: string,
  state: Pick<BenchState, "inForce">,
  { bundle }: Pick<Planned, "bundle">,
): boolean {
  const off = bundle.board.inputs.find((input) => input.id === inputId)?.off;
  return off !== undefined && behavioursAt(bundle.board, state.inForce)[off.behaviour] === off.is;
}

/** True while a control stands differently from what the board last read. */
function isPending(state: BenchState): boolean {
  const moved = movedControls(state.positions, state.inForce);
  return moved.switches.length + moved.dials.length + moved.values.length > 0;
}

function lampRow(lamp: Lamp, state: BenchState, readings: Readings, planned: Planned) {
  if (!state.powered) return undefined;
  return lamp.shows.find((row) => conditionHolds(row.when, state, readings, planned));
}

function displayText(state: BenchState, readings: Readings, planned: Planned): string {
  if (!state.powered) return "";
  const rows = planned.bundle.board.display?.shows ?? [];
  return rows.find((row) => conditionHolds(row.when, state, readings, planned))?.text ?? "";
}

/** What of a state the circuit depends on. */
export function circuitKey(state: BenchState): string {
  return JSON.stringify([state.powered, state.landed, state.sits, state.links, state.tripped]);
}

/** Readings of each plan by what the circuit is made of: most steps of a run sheet leave it as it is. */
const known = new WeakMap<Planned["wiring"], Map<string, Readings>>();

function readingsOf({ bundle, wiring }: Planned, state: BenchState): Readings {
  const key = circuitKey(state);
  const byKey = known.get(wiring) ?? new Map<string, Readings>();
  known.set(wiring, byKey);
  const readings = byKey.get(key) ?? readCircuit(installationOf(bundle.board, wiring, state));
  byKey.set(key, readings);
  return readings;
}

/** Reads the board: every lamp, from wires, links, contacts, settings and memory. */
export function readFace(planned: Planned, state: BenchState): Face {
  const { board } = planned.bundle;
  const readings = readingsOf(planned, state);
  const rows = board.lamps.map((lamp) => [lamp.id, lampRow(lamp, state, readings, planned)] as const);
  return {
    lamps: Object.fromEntries(rows.map(([id, row]) => [id, row?.is ?? "dark"])),
    looks: Object.fromEntries(
      rows.flatMap(([id, row]) =>
        row?.other || row?.flashes ? [[id, { other: row.other, flashes: row.flashes }]] : [],
      ),
    ),
    display: displayText(state, readings, planned),
    readings,
    pending: isPending(state),
  };
}

function elementText(planned: Planned, element: Element): string | undefined {
  if (element.kind === "link") {
    const link = planned.bundle.board.links.find((each) => each.id === element.id);
    return link && `link ${link.between.join("–")}`;
  }
  if (element.kind === "contact") {
    const [device] = element.id.split("/");
    return planned.wiring.devices.find((each) => each.id === device)?.name;
  }
  return undefined;
}

function pendingText(state: BenchState): string {
  const moved = movedControls(state.positions, state.inForce);
  const kinds = [
    ...(moved.dials.length ? ["dials"] : []),
    ...(moved.switches.length ? ["switches"] : []),
    ...(moved.values.length ? ["values"] : []),
  ];
  return `${kinds.join(" and ")} moved and not read yet`;
}

/** Why a lamp shows what it shows, in a few words. */
export function lampReason(planned: Planned, state: BenchState, face: Face, lamp: Lamp): string {
  if (!state.powered) return "no power";
  const { board } = planned.bundle;
  const row = lamp.shows.find((each) => conditionHolds(each.when, state, face.readings, planned));
  const inputId = lamp.shows.map((each) => each.when.closed ?? each.when.open).find((id) => id !== undefined);
  const input = board.inputs.find((each) => each.id === inputId);
  if (input) {
    const reading = face.readings.inputs[input.id];
    if (!reading?.closed && switchedOff(input.id, state, planned))
      return `${input.label} is switched off by its setting`;
    if (!reading?.closed) return `${input.terminal} reads open`;
    const through = reading.loop.flatMap((element) => elementText(planned, element) ?? []);
    return `${input.terminal} closed through ${through.length ? listed([...new Set(through)]) : "the board"}`;
  }
  if (row?.when.powered) return "the board has power";
  if (row?.when.mode) return row.when.mode;
  if (row?.when.unlearned) return `no ${row.when.unlearned} learned yet`;
  if (row?.when.learned) return `${row.when.learned} learned`;
  if (row?.when.pending) return pendingText(state);
  if (lamp.shows.some((each) => each.when.pending)) return "every control is read";
  const memory = lamp.shows.map((each) => each.when.unlearned).find((what) => what !== undefined);
  const mode = lamp.shows.map((each) => each.when.mode).find((what) => what !== undefined);
  return memory ? `${memory} learned` : mode ? `not ${mode}` : "nothing to show";
}
