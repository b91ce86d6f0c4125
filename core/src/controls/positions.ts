import {
  conditionHolds,
  menuValues,
  selectorsOf,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
  type Circumstances,
  type Condition,
  type Dial,
  type MenuItem,
  type SetsValue,
} from "../board/index.ts";
import { clockToFraction, readableFractions } from "../quantity/index.ts";

/** Where every control stands: switches, slides and jumpers by id, dials as clock times, menu values as displayed. */
export interface Positions {
  switches: Readonly<Record<string, string>>;
  dials: Readonly<Record<string, string>>;
  values: Readonly<Record<string, string>>;
}

/** The kinds of control, as positions are kept and commit gestures name them. */
export const controlKinds = ["switches", "dials", "values"] as const;

export type Given = Partial<Record<BehaviourId, BehaviourValue>>;

/** Positions as noted on site, otherwise as delivered. */
export function foundPositions(board: BoardProfile, noted: Partial<Positions> = {}): Positions {
  return {
    switches: Object.fromEntries(
      selectorsOf(board).map(({ id, delivered }) => [id, noted.switches?.[id] ?? delivered]),
    ),
    dials: Object.fromEntries(board.dials.map(({ id, delivered }) => [id, noted.dials?.[id] ?? delivered])),
    values: Object.fromEntries(
      menuValues(board).map(({ item, delivered }) => [item.id, noted.values?.[item.id] ?? delivered]),
    ),
  };
}

/** The zone of a dial at a fraction of its sweep; a threshold belongs to the zone that begins there. */
export function zoneAt(dial: Dial, fraction: number): Dial["zones"][number] {
  return dial.zones.find((zone) => fraction < zone.to) ?? dial.zones[dial.zones.length - 1]!;
}

function valuesWithin(
  sets: Readonly<Record<string, SetsValue>>,
  range: { from: number; to: number },
  at: number,
): Given {
  const part = (at - range.from) / (range.to - range.from);
  return Object.fromEntries(
    Object.entries(sets).map(([id, value]) => [
      id,
      typeof value === "object" ? value.from + part * (value.to - value.from) : value,
    ]),
  );
}

/** What a dial sets at a fraction of its sweep; linear within a zone. */
export function dialGives(dial: Dial, fraction: number): Given {
  const zone = zoneAt(dial, fraction);
  return valuesWithin(zone.sets, zone, fraction);
}

/** What a menu entry sets while its display shows this; nothing for what it cannot show. */
export function valueGives({ number, choices }: MenuItem, shows: string): Given {
  if (number) return valuesWithin(number.sets, number, Number(shows));
  return (choices?.find((choice) => choice.shows === shows)?.sets ?? {}) as Given;
}

/** What switches, slides and jumpers set where they stand; positions the profile does not list set nothing. */
function settingsGive(board: BoardProfile, switches: Positions["switches"]): Given {
  const given: Given = {};
  for (const setting of board.settings) {
    const row = setting.rows.find((each) =>
      each.at.every((at, index) => switches[setting.of[index]!] === at),
    );
    Object.assign(given, row?.sets);
  }
  return given;
}

/** What a dial's condition may ask beside switches and behaviours. */
export type Standing = Omit<Circumstances, "behaviour" | "control">;

/** The board as it stands once the work is done: with power, at rest, everything learned and read. */
export const whenDone: Standing = {
  power: (on) => on,
  reads: () => true,
  learned: (_memory, yes) => yes,
  mode: (word) => word === "idle",
  pending: (yes) => !yes,
  fitted: () => true,
  leaf: (where) => where === "closed",
  supply: (from) => from === "mains",
  battery: (is) => is === "good",
  timer: () => false,
  fault: () => false,
};

/**
 * True while a control counts: a dial that lives, or a menu entry that is shown, only under a condition is dead without
 * it. The condition is asked of how the board stands; left out, as it stands once the work is done.
 */
export function isLive(
  live: Condition | undefined,
  positions: Positions,
  given: Given,
  standing: Standing = whenDone,
): boolean {
  if (!live) return true;
  return conditionHolds(live, {
    ...standing,
    behaviour: (id, fits) => fits(given[id]),
    control: (id, at) => (positions.switches[id] ?? positions.dials[id]) === at,
  });
}

/** What all controls set together of which `counts` holds, and what the board does by itself. */
function setTogether(
  board: BoardProfile,
  positions: Positions,
  counts: (live: Condition | undefined, given: Given) => boolean,
): Given {
  const given: Given = { ...board.fixed, ...settingsGive(board, positions.switches) };
  // Entries that are always shown say first what shows the others.
  for (const asked of [false, true])
    for (const { item, delivered } of menuValues(board))
      if ((item.when !== undefined) === asked && counts(item.when, given))
        Object.assign(given, valueGives(item, positions.values[item.id] ?? delivered));
  for (const dial of board.dials) {
    if (!counts(dial.live, given)) continue;
    const clock = positions.dials[dial.id] ?? dial.delivered;
    Object.assign(given, dialGives(dial, clockToFraction(clock, dial.sweep)));
  }
  return given;
}

/** What all controls set together where they stand, and what the board does by itself; what is dead sets nothing. */
export const behavioursAt = (
  board: BoardProfile,
  positions: Positions,
  standing: Standing = whenDone,
): Given => setTogether(board, positions, (live, given) => isLive(live, positions, given, standing));

/** What a new board's controls say, those included that count for nothing as it is delivered. */
export const deliveredGives = (board: BoardProfile): Given =>
  setTogether(board, foundPositions(board), () => true);

/** Ids of the controls that stand differently in the two, by kind. */
export function movedControls(a: Positions, b: Positions): Record<keyof Positions, string[]> {
  const differ = (kind: keyof Positions) => Object.keys(a[kind]).filter((id) => a[kind][id] !== b[kind][id]);
  return { switches: differ("switches"), dials: differ("dials"), values: differ("values") };
}

/** Positions of a dial that can be read off, clear of the thresholds between its zones. */
export function safeFractions(dial: Dial): number[] {
  const all = readableFractions(dial.sweep);
  const thresholds = dial.zones.slice(1).map((zone) => zone.from);
  const clear = (fraction: number) =>
    thresholds.every((threshold) => Math.abs(fraction - threshold) > 1 / (2 * all.length));
  return all.filter(clear);
}
