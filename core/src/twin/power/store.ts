import type { BoardProfile } from "../../board/index.ts";
import { partKey, railPart } from "../../node/index.ts";
import { brainDoes, findsBattery as finds, type Brain } from "../brain/index.ts";
import { ampsOf, type Plant } from "../plant/index.ts";
import type { Site } from "../site/index.ts";

/** A battery of a running installation, and the sun on its panel. */
export interface Store {
  /** What it holds when full, A·h, and how much of that it holds. */
  readonly ampHours: number;
  charge: number;
  /** Volts of the set it belongs to: 12 or 24. */
  readonly nominal: number;
  /** Part of its full light that the panel gets. */
  sun: number;
  /** The panel gives nothing, whatever light it gets. */
  panelOff: boolean;
  /** What it gives just now, A, less what it gets; and its volts under that. */
  amps: number;
  volts: number;
  /** Seconds its volts have been on the other side of what the board acts at. */
  beyond: number;
}

/** A pair of lead batteries in a cabinet; assumed. */
const assumed = {
  ampHours: 7,
  /** Parts of the nominal volts, at rest, of an empty and of a full one. */
  empty: 0.88,
  full: 1.07,
  ohms: 0.12,
  /** Nothing runs under this part of the nominal volts. */
  dead: 0.8,
  /** Low is what lasts so long, s. */
  lasts: 3,
  /** Above what it acts at by this part it is good again. */
  risen: 0.02,
  /** What a panel gives in full light where its sheet says nothing, A. */
  panelAmps: 0.8,
};

/** The battery of a job, full; undefined where it has none. */
export function storeOf({ planning: { bundle, wiring } }: Site): Store | undefined {
  const { battery, solar } = bundle.board;
  const placed = wiring.devices.find(({ profile }) => profile.kind === "battery");
  if (!battery || (!placed && battery.optional)) return undefined;
  const panel = wiring.devices.find(({ profile }) =>
    profile.provides.some(({ feeds }) => feeds.includes("panel")),
  );
  const nominal =
    placed?.profile.provides[0]?.volts ?? panel?.profile.provides[0]?.volts ?? Math.max(...battery.volts);
  return {
    ampHours: assumed.ampHours,
    charge: 1,
    nominal,
    sun: 0,
    panelOff: solar !== undefined && !panel,
    amps: 0,
    volts: nominal * assumed.full,
    beyond: 0,
  };
}

/** Volts of a battery that gives so many amperes. */
const storeVolts = ({ charge, nominal }: Store, amps: number): number =>
  nominal * (assumed.empty + (assumed.full - assumed.empty) * charge) - assumed.ohms * amps;

/** What a panel gives, A: nothing the wrong way round, behind its jumper, or in the dark. */
function panelAmps({ board, positions }: Brain, { at }: Site, store: Store): number {
  const { solar } = board;
  if (!solar || store.panelOff || store.sun <= 0) return 0;
  if (solar.isolatedBy !== undefined && positions.switches[solar.isolatedBy] === "on") return 0;
  const panel = at.devices.find(({ profile }) =>
    profile.provides.some(({ feeds }) => feeds.includes("panel")),
  );
  const rail = panel?.profile.provides[0];
  const seat = (pin: string | undefined) => {
    const wire = at.wires.find(
      ({ from }) => from.kind === "pin" && from.device === panel?.id && from.pin === pin,
    );
    return wire?.to.kind === "terminal" ? wire.to.terminal : undefined;
  };
  if (!rail || seat(rail.pins.plus) !== solar.plus || seat(rail.pins.minus) !== solar.minus) return 0;
  return store.sun * (rail.limitMilliamps / 1_000 || assumed.panelAmps);
}

/** What the board and all that hangs on its rails take, A; drives by what they push, not by their sheet. */
function takenAmps(brain: Brain, { measured }: Site, plant: Plant, asleep: boolean): number {
  const { draw, rails: all } = brain.board;
  const own = (asleep ? draw?.asleepMilliamps : draw?.awakeMilliamps) ?? 0;
  const rails = all
    .filter(({ feeds }) => !feeds.some((duty) => duty.startsWith("drive")))
    .reduce((sum, { id }) => sum + Math.max(0, measured.rails[partKey(railPart(id))]?.milliamps ?? 0), 0);
  const drives = Object.values(plant.leaves).reduce((sum, leaf) => sum + ampsOf(leaf), 0);
  return (own + rails) / 1_000 + drives;
}

const rowOf = ({ falls }: BoardProfile) => falls.find(({ on }) => on === "battery-low");

/** True for a board that has nothing but its battery to live on: no mains, or none just now. */
const onBattery = ({ board, mains }: Brain): boolean => !mains || board.supply.kind === "solar";

/** A battery is filled and emptied for some seconds, and the board finds it low, or good again. */
export function fillsStore(
  store: Store,
  brain: Brain,
  site: Site,
  plant: Plant,
  { seconds, asleep }: { seconds: number; asleep: boolean },
): void {
  const gets = onBattery(brain)
    ? panelAmps(brain, site, store)
    : (brain.board.battery?.chargeMilliamps ?? 0) / 1_000;
  const gives = brain.power && onBattery(brain) ? takenAmps(brain, site, plant, asleep) : 0;
  store.amps = gives - gets;
  store.charge = Math.min(1, Math.max(0, store.charge - (store.amps * seconds) / 3_600 / store.ampHours));
  store.volts = storeVolts(store, store.amps);
  if (!brain.power) return;
  if (onBattery(brain) && store.volts < assumed.dead * store.nominal)
    return brainDoes(brain, { power: "off" });
  tells(store, brain, seconds);
}

/** What the board makes of its battery's volts: both stages, each scaled to the set's volts. */
function tells(store: Store, brain: Brain, seconds: number): void {
  const row = rowOf(brain.board);
  const scale = store.nominal / Math.max(...(brain.board.battery?.volts ?? [store.nominal]));
  const acts = (row?.actVolts ?? brain.board.battery?.lowVolts ?? 0) * scale;
  brain.warns = row?.warnVolts !== undefined && store.volts < row.warnVolts * scale;
  const low = brain.battery === "low";
  const other = low ? store.volts > acts * (1 + assumed.risen) : store.volts < acts;
  store.beyond = other ? store.beyond + seconds : 0;
  if (store.beyond < assumed.lasts) return;
  store.beyond = 0;
  finds(brain, low ? "good" : "low");
}
