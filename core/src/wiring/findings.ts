import { lampOfInput, terminalOf, terminalsOf, type BoardProfile } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { count, listed } from "../quantity/index.ts";
import type { Core } from "./cores.ts";
import { madeRails, pinsOf, type SiteDevice } from "./demand.ts";
import { honoursPins } from "./fit.ts";
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

function crowdFindings(board: BoardProfile, cores: readonly Core[]): Finding[] {
  return terminalsOf(board).flatMap((terminal): Finding[] => {
    const held = cores.filter((core) => core.to === `board/${terminal.id}`).length;
    if (held <= terminal.holds) return [];
    return [
      finding("terminal-crowded", [{ kind: "terminal", id: terminal.id }], {
        terminal: terminal.id,
        cores: count(held, "core"),
        holds: String(terminal.holds),
      }),
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

/** Pins wanted on a terminal that cannot take them, or that the board does not have. */
function pinFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cores: readonly Core[],
): Finding[] {
  return devices.flatMap((device): Finding[] =>
    Object.entries(device.pinned ?? {}).flatMap(([pin, terminal]): Finding[] => {
      const core = cores.find((each) => each.device === device.id && each.pin === pin);
      if (core?.target === terminal) return [];
      const label = device.profile.pins.find((each) => each.id === pin)?.label ?? pin;
      const known = terminalOf(board, terminal) !== undefined;
      const own = placements.find(
        ({ demand }) => demand.device.id === device.id && pinsOf(demand).includes(pin),
      );
      const shares = own?.place !== undefined && honoursPins(own.demand, own.place, board);
      return [
        finding(
          "pin-impossible",
          [
            { kind: "device", id: device.id },
            ...(known ? [{ kind: "terminal" as const, id: terminal }] : []),
          ],
          {
            device: device.name,
            pin: label,
            terminal,
            reason: !known
              ? `${board.name} has no terminal ${terminal}`
              : shares
                ? `it is chained with others there, and another core of the chain sits on ${terminal}`
                : `${terminal} is ${terminalOf(board, terminal)!.label}, which cannot take it`,
            instead: core ? `Planned on ${core.target} instead.` : "It stays without a place.",
          },
        ),
      ];
    }),
  );
}

/** What is wrong with where things sit: without a place and why, chained, crowded, on a rail that sleeps, wanted where they cannot be. */
export function placementFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cores: readonly Core[],
  fitted: readonly string[],
): Finding[] {
  const made = madeRails(devices);
  return [
    ...unplacedFindings(board, devices, placements, fitted),
    ...chainFindings(board, placements, ({ demand }) => roomFor(board, demand, made, fitted)),
    ...crowdFindings(board, cores),
    ...misledFindings(placements),
    ...pinFindings(board, devices, placements, cores),
  ];
}
