import { lampOfInput, type BoardProfile, type Rail } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { listed } from "../../quantity/index.ts";
import { madeRails, type SiteDevice } from "./demand.ts";
import type { Placement } from "./place.ts";
import { feederOf } from "./feeder.ts";
import { isLock, isMisled } from "./preference.ts";
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
    const lamp = lampOfInput(board, input.id);
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
          tripped: lamp ? `${lamp.label} is dark` : `${input.terminal} reads open`,
          lost: tested ? ", and its test no longer tests each of them" : "",
          room: room(users[users.length - 1]!) ?? "",
        },
      ),
    ];
  });
}

/** What a place draws on in the end, through as many devices as stand between: a rail of the board, or what a device makes by itself. */
function railBehind(
  place: Placement["place"],
  placements: readonly Placement[],
): { rail: Pick<Rail, "label" | "live"> & { id?: string }; through: string[] } | undefined {
  if (place?.kind === "rail") return { rail: place.rail, through: [] };
  if (place?.kind !== "made") return undefined;
  if (place.made.alone) return { rail: { label: place.made.name, live: "always" }, through: [] };
  const behind = railBehind(feederOf(place.made, placements)?.place, placements);
  return behind && { ...behind, through: [place.made.name, ...behind.through] };
}

/** Trap 31, and its reverse: what must always live on a rail that sleeps, by way of a converter too, and what must sleep on one that never does. */
function misledFindings(placements: readonly Placement[]): Finding[] {
  return placements.flatMap(({ demand, place }): Finding[] => {
    const behind = railBehind(place, placements);
    if (demand.kind !== "supply" || !behind) return [];
    const { rail, through } = behind;
    const { lives } = demand.supply;
    if (rail.id === undefined && isLock(demand))
      return [
        finding("lock-not-switched", [{ kind: "device", id: demand.device.id }], {
          device: demand.device.name,
          rail: rail.label,
        }),
      ];
    if (!isMisled(lives, rail)) return [];
    const subjects = [
      { kind: "device" as const, id: demand.device.id },
      ...(rail.id === undefined ? [] : [{ kind: "rail" as const, id: rail.id }]),
    ];
    const values = {
      device: demand.device.name,
      rail: through.length ? `${rail.label} by way of ${listed(through)}` : rail.label,
    };
    if (lives !== "always") {
      const reason = isLock(demand)
        ? "A coil that is made to be switched overheats, the lock stays open, and a battery is emptied by it."
        : "It works on while nothing moves: its own battery, or that of the board, is emptied by it.";
      return [finding("rail-never-sleeps", subjects, { ...values, reason })];
    }
    const live = rail.live === "not-closed" ? "the leaf is not closed" : rail.live;
    const remedy = isLock(demand)
      ? "Feed it from lock terminals that are on until it is let go, or by a relay's resting contact; or use a strike, which is fed to open."
      : "Feed it from a rail that is always on, or from a supply of its own.";
    return [finding("rail-sleeps", subjects, { ...values, live, remedy })];
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
