import { slotName, type BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import type { SiteDevice } from "./demand.ts";
import type { Placement } from "./place.ts";

/** True when the board hears what a radio device sends: by a fitted card, or by itself where no card of the kind is made for it. */
function hears(board: BoardProfile, kind: string, fitted: readonly string[]): boolean {
  const cards = board.cards.filter((card) => card.kind === kind);
  if (cards.some((card) => fitted.includes(card.id))) return true;
  return kind === "radio" && !cards.length && board.memories.some((memory) => memory.holds === "remotes");
}

/** Trap 28: a device that talks by radio to a board that has no card for it. */
function radioFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  fitted: readonly string[],
): Finding[] {
  return devices.flatMap((device): Finding[] => {
    const kind = device.profile.radio?.card;
    if (!kind || hears(board, kind, fitted)) return [];
    const cards = board.cards.filter((card) => card.kind === kind);
    const slots = board.slots.filter((slot) => cards.some((card) => slot.takes.includes(card.id)));
    return [
      finding(
        "radio-card-missing",
        [{ kind: "device", id: device.id }, ...slots.map((slot) => ({ kind: "slot" as const, id: slot.id }))],
        {
          device: device.name,
          remedy: cards.length
            ? `Fit ${listed(
                cards.map((card) => card.name),
                "or",
              )} in ${listed(
                slots.map((slot) => slotName(slot.label)),
                "or",
              )}, without power.`
            : `${board.name} takes no such card: use ${device.profile.kind === "remote" ? "a receiver with a contact of its own, wired to an input" : "one that is wired"}.`,
        },
      ),
    ];
  });
}

/** Trap 35: less free space beside a housing than it needs. */
function clearanceFindings(devices: readonly SiteDevice[]): Finding[] {
  return devices.flatMap((device): Finding[] => {
    const needs = device.profile.clearanceMm;
    const has = device.clearanceMm;
    if (needs === undefined || has === undefined || has >= needs) return [];
    return [
      finding("clearance-short", [{ kind: "device", id: device.id }], {
        device: device.name,
        has: `${plainNumber(has)} mm`,
        needs: `${plainNumber(needs)} mm`,
      }),
    ];
  });
}

/** Trap 8: a jumper that is bridged for alignment only, and found on. */
function jumperFindings(devices: readonly SiteDevice[]): Finding[] {
  return devices.flatMap((device) =>
    device.profile.jumpers
      .filter((jumper) => device.jumpersOn?.includes(jumper.id))
      .map((jumper) =>
        finding("alignment-jumper-on", [{ kind: "device", id: device.id }], {
          device: device.name,
          jumper: jumper.label,
          only: jumper.onlyFor,
          otherwise: jumper.otherwise,
        }),
      ),
  );
}

/**
 * Trap 42: a battery and a panel of different voltages on one board. Where the terminals of both can have but one voltage,
 * the one that does not give it is told; where they can have several, the later one against the first.
 */
function sourceFindings(board: BoardProfile, placements: readonly Placement[]): Finding[] {
  const sources = placements.flatMap(({ demand, place }) =>
    demand.kind === "source" && place?.kind === "inlet" ? [{ demand, place }] : [],
  );
  const [first] = sources;
  if (!first || sources.every(({ demand }) => demand.source.volts === first.demand.source.volts)) return [];
  const inlets = [board.battery, board.solar].flatMap((inlet) => (inlet ? [[inlet.volts].flat()] : []));
  const [only, ...more] = inlets.reduce((both, volts) => both.filter((each) => volts.includes(each)));
  const settled = only !== undefined && !more.length;
  const wanted = settled ? only : first.demand.source.volts;
  return sources
    .filter(({ demand }) => demand.source.volts !== wanted)
    .map(({ demand, place }) =>
      finding("source-of-another-voltage", [{ kind: "device", id: demand.device.id }], {
        device: demand.device.name,
        given: `${plainNumber(demand.source.volts)} V`,
        wanted: `${plainNumber(wanted)} V, ${settled ? "the one voltage that panel and battery can both have here" : `as ${first.demand.device.name} gives`}`,
        terminals: `${place.plus} and ${place.minus}`,
        remedy: `Use one for ${plainNumber(wanted)} V, before it is connected.`,
      }),
    );
}

/** What was found of the devices themselves: traps 8, 28, 35 and 42. */
export function siteFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  fitted: readonly string[],
): Finding[] {
  return [
    ...sourceFindings(board, placements),
    ...radioFindings(board, devices, fitted),
    ...clearanceFindings(devices),
    ...jumperFindings(devices),
  ];
}
