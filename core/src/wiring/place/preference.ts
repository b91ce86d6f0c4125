import { terminalOf, type BoardProfile, type Rail } from "../../board/index.ts";
import type { DeviceSupply } from "../../device/index.ts";
import type { Cost } from "../assign/index.ts";
import type { Demand, MadeRail, Output, Place, SiteDevice } from "./demand.ts";
import { placesFor, terminalsAt, type RankedPlace } from "./fit.ts";

/** What a plan costs, the gravest first. */
export interface PlanCost {
  /** Contacts and supplies without a place. */
  unplaced: number;
  /** Supplies on a rail that sleeps when they must live, or lives when they must sleep. */
  misled: number;
  overMilliamps: number;
  /** Contacts that share an input with another. */
  chained: number;
  /** Devices that could be tested by the board and are not. */
  untested: number;
  /** How far everything is from the place made for it, its block and its label. */
  distance: number;
}

/**
 * Weights that put those six ranks into the two words of a cost. Each is over all that the ranks after it can come to
 * with 60 devices: 20 A a supply, and no board has so many inputs as the light weights allow.
 */
export const weight = { unplaced: 1e9, misled: 1e7, chained: 1e8, untested: 1e6 };
export const unplaced: Cost = [weight.unplaced, 0];

/** The ranks of a cost in words. */
export function costOfPlan([grave, light]: Cost): PlanCost {
  const rest = grave % weight.unplaced;
  const light2 = light % weight.chained;
  return {
    unplaced: Math.floor(grave / weight.unplaced),
    misled: Math.floor(rest / weight.misled),
    overMilliamps: rest % weight.misled,
    chained: Math.floor(light / weight.chained),
    untested: Math.floor(light2 / weight.untested),
    distance: light2 % weight.untested,
  };
}

/** True where what lives so would live on this rail when it must not, or sleep when it must live. */
export function isMisled(lives: DeviceSupply["lives"], { live }: Pick<Rail, "live">): boolean {
  return lives === "always" ? live !== "always" : lives === "switched" && live === "always";
}

/** True for a lock itself, which the board must be able to let go or to open: a converter for one is none. */
export const isLock = ({
  device,
  duty,
}: Pick<Extract<Demand, { kind: "supply" }>, "device" | "duty">): boolean =>
  duty === "lock" && !device.profile.provides.length;

/** True where a supply would live when it must not, or sleep when it must live; a converter, with what may hang on it. */
export function misled(demand: Demand, place: Place): boolean {
  if (demand.kind !== "supply") return false;
  if (place.kind === "made")
    return place.made.alone && (isLock(demand) || isMisled(demand.lives, { live: "always" }));
  return place.kind === "rail" && isMisled(demand.lives, place.rail);
}

/** The slot of an output of the board. */
export const outputSlot = ({ output }: { output: Output }): string => `output ${output.id}`;

/** The slot a place takes one unit of; the second relay of a load with three poles is another. */
export function slotOf(demand: Demand, place: Place): string | undefined {
  if (place.kind === "input") return `input ${place.input.id}`;
  if (place.kind === "output" || place.kind === "relay") return outputSlot(place);
  if (place.kind === "inlet") return `inlet ${place.inlet}`;
  // One drive an output: two on one would run with one's limits and the other's force.
  const drives = demand.kind === "supply" && demand.duty.startsWith("drive");
  return drives && place.kind === "rail" ? `drive ${place.rail.id}` : undefined;
}

const blockOf = (board: BoardProfile, terminal: string | undefined) =>
  terminal === undefined ? undefined : terminalOf(board, terminal)?.block.id;

/** The block where most of what is made for a device stands. */
export function homeBlock(
  board: BoardProfile,
  demands: readonly Demand[],
  made: readonly MadeRail[],
): string | undefined {
  const votes = new Map<string, number>();
  for (const demand of demands) {
    const [best] = placesFor(demand, board, made).sort((a, b) => a.rank - b.rank);
    const block = best && blockOf(board, terminalsAt(demand, best.place, board)[0]?.[1][0]);
    if (block) votes.set(block, (votes.get(block) ?? 0) + 1);
  }
  return [...votes].sort((a, b) => b[1] - a[1])[0]?.[0];
}

const words = (text: string) => text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];

/** True when the place's label and the device's name have a word in common. */
function namedAlike(device: SiteDevice, place: Place): boolean {
  const label = place.kind === "input" ? place.input.label : place.kind === "rail" ? place.rail.label : "";
  const name = new Set(words(device.name));
  return words(label).some((word) => name.has(word));
}

/** How far a place is from the best there is: made for another use first, then another block, then another label. */
export function distance(
  demand: Demand,
  { place, rank }: RankedPlace,
  board: BoardProfile,
  home?: string,
): number {
  const block = blockOf(board, terminalsAt(demand, place, board)[0]?.[1][0]);
  return (
    4 * Math.min(rank, 50) +
    2 * Number(home !== undefined && block !== home) +
    Number(!namedAlike(demand.device, place))
  );
}

/** True where a contact on this input is tested by way of this supply's place. */
export const testedBy = (contact: Place, supply: Place): boolean =>
  contact.kind === "input" && supply.kind === "rail" && supply.rail.id === contact.input.test;
