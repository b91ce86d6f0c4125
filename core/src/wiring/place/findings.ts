import { lampOfInput, type BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { listed } from "../../quantity/index.ts";
import { madeRails, type SiteDevice } from "./demand.ts";
import type { Placement } from "./place.ts";
import { misled } from "./preference.ts";
import { roomFor } from "./room.ts";
import { unplacedFindings } from "./unplaced.ts";

/** Contacts that share an input, what is lost by it, and what would give each its own. */
function chainFindings(
  board: BoardProfile,
  placements: readonly Placement[],
  room: (at: Placement) => string | undefined,
): Finding[] {
  return board.inputs.flatMap((input): Finding[] => {
    const users = placements.filter(
      ({ demand, place }) =>
        demand.kind === "contact" && place?.kind === "input" && place.input.id === input.id,
    );
    if (users.length < 2 || input.contact !== "closed") return [];
    const tested =
      users.some(({ demand }) => demand.kind === "contact" && demand.contact.test) &&
      input.test !== undefined;
    return [
      finding(
        "contacts-chained",
        [
          { kind: "input", id: input.id },
          ...users.map(({ demand }) => ({ kind: "device" as const, id: demand.device.id })),
        ],
        {
          devices: listed(users.map(({ demand }) => demand.device.name)),
          input: `${input.label} (${input.terminal})`,
          lamp: lampOfInput(board, input.id)?.label ?? "the lamp",
          lost: tested ? ", and its test no longer tests each of them" : "",
          room: room(users[users.length - 1]!) ?? "",
        },
      ),
    ];
  });
}

/** Trap 31, and its reverse: what must always live on a rail that sleeps, and what must sleep on one that never does. */
function misledFindings(placements: readonly Placement[]): Finding[] {
  return placements.flatMap(({ demand, place }): Finding[] => {
    if (demand.kind !== "supply" || place?.kind !== "rail" || !misled(demand, place)) return [];
    const subjects = [
      { kind: "device" as const, id: demand.device.id },
      { kind: "rail" as const, id: place.rail.id },
    ];
    const live = place.rail.live === "not-closed" ? "the leaf is not closed" : place.rail.live;
    return [
      finding(demand.supply.lives === "always" ? "rail-sleeps" : "rail-never-sleeps", subjects, {
        device: demand.device.name,
        rail: place.rail.label,
        live,
      }),
    ];
  });
}

/** What is wrong with where things sit: without a place and why, chained, on a rail that sleeps. */
export function placementFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  fitted: readonly string[],
): Finding[] {
  const made = madeRails(devices);
  return [
    ...unplacedFindings(board, devices, placements, fitted),
    ...chainFindings(board, placements, ({ demand }) => roomFor(board, demand, made, fitted)),
    ...misledFindings(placements),
  ];
}
