import type { BehaviourId, BehaviourValue, BoardProfile, Dial, SetsValue } from "../board/index.ts";
import { clockToFraction, readableFractions } from "../quantity/index.ts";

/** Where every control stands: switches by id ("S2"), dials as clock times. */
export interface Positions {
  switches: Readonly<Record<string, "on" | "off">>;
  dials: Readonly<Record<string, string>>;
}

/** Positions as noted on site, otherwise as delivered. */
export function foundPositions(
  board: BoardProfile,
  noted: { switches: Readonly<Record<string, "on" | "off">>; dials: Readonly<Record<string, string>> },
): Positions {
  const switches = Object.fromEntries(
    board.dips.flatMap((dip) =>
      dip.delivered.map((delivered, at) => {
        const id = `${dip.id}${at + 1}`;
        return [id, noted.switches[id] ?? delivered] as const;
      }),
    ),
  );
  const dials = Object.fromEntries(
    board.dials.map((dial) => [dial.id, noted.dials[dial.id] ?? dial.delivered]),
  );
  return { switches, dials };
}

/** The zone of a dial at a fraction of its sweep; a threshold belongs to the zone that begins there. */
export function zoneAt(dial: Dial, fraction: number): Dial["zones"][number] {
  return dial.zones.find((zone) => fraction < zone.to) ?? dial.zones[dial.zones.length - 1]!;
}

function valueIn(sets: SetsValue, zone: { from: number; to: number }, fraction: number): BehaviourValue {
  if (typeof sets !== "object") return sets;
  return sets.from + ((fraction - zone.from) / (zone.to - zone.from)) * (sets.to - sets.from);
}

/** What a dial sets at a fraction of its sweep; linear within a zone. */
export function dialGives(dial: Dial, fraction: number): Partial<Record<BehaviourId, BehaviourValue>> {
  const zone = zoneAt(dial, fraction);
  return Object.fromEntries(
    Object.entries(zone.sets).map(([id, sets]) => [id, valueIn(sets, zone, fraction)]),
  );
}

/** What all controls set together where they stand. Switch positions the profile does not list set nothing. */
export function behavioursAt(
  board: BoardProfile,
  positions: Positions,
): Partial<Record<BehaviourId, BehaviourValue>> {
  const given: Partial<Record<BehaviourId, BehaviourValue>> = {};
  for (const setting of board.settings) {
    const row = setting.rows.find((each) =>
      each.at.every((at, index) => positions.switches[setting.switches[index]!] === at),
    );
    Object.assign(given, row?.sets);
  }
  for (const dial of board.dials) {
    const clock = positions.dials[dial.id] ?? dial.delivered;
    Object.assign(given, dialGives(dial, clockToFraction(clock, dial.sweep)));
  }
  return given;
}

/** Ids of the controls that stand differently in the two. */
export function movedControls(a: Positions, b: Positions): { switches: string[]; dials: string[] } {
  const differ = <T>(x: Readonly<Record<string, T>>, y: Readonly<Record<string, T>>) =>
    Object.keys(x).filter((id) => x[id] !== y[id]);
  return { switches: differ(a.switches, b.switches), dials: differ(a.dials, b.dials) };
}

/** Positions of a dial that can be read off, clear of the thresholds between its zones. */
export function safeFractions(dial: Dial): number[] {
  const all = readableFractions(dial.sweep);
  const thresholds = dial.zones.slice(1).map((zone) => zone.from);
  const clear = (fraction: number) =>
    thresholds.every((threshold) => Math.abs(fraction - threshold) > 1 / (2 * all.length));
  return all.filter(clear);
}
