import { canSet, type BoardInput, type BoardProfile, type LoadDuty, type Rail } from "../board/index.ts";
import type { PlacedDevice } from "../circuit/index.ts";
import type { DeviceContact, DeviceSupply } from "../device/index.ts";
import type { LeafId } from "../job/index.ts";

/** A device on site, with the leaf it moves when it is a drive. */
export interface SiteDevice extends PlacedDevice {
  leaf?: LeafId;
}

/** A rail a device makes, such as a converter's output. */
export interface MadeRail {
  device: string;
  rail: PlacedDevice["profile"]["provides"][number];
}

/** What a device needs a place for: a contact wants an input, a supply wants a rail. */
export type Demand =
  | { kind: "contact"; device: SiteDevice; contact: DeviceContact }
  | { kind: "supply"; device: SiteDevice; supply: DeviceSupply; duty: LoadDuty };

/** Where a demand is met. */
export type Place =
  { kind: "input"; input: BoardInput } | { kind: "rail"; rail: Rail } | { kind: "made"; made: MadeRail };

const driveDuty: Record<LeafId, LoadDuty> = {
  only: "drive-only",
  overlapping: "drive-overlapping",
  overlapped: "drive-overlapped",
};

/** Everything the devices need a place for, in the order of the devices. */
export function demandsOf(devices: readonly SiteDevice[]): Demand[] {
  return devices.flatMap((device): Demand[] => [
    ...device.profile.supplies.map((supply): Demand => ({
      kind: "supply",
      device,
      supply,
      duty: supply.duty === "drive" ? driveDuty[device.leaf ?? "only"] : supply.duty,
    })),
    ...device.profile.contacts.map((contact): Demand => ({ kind: "contact", device, contact })),
  ]);
}

/** The rails that devices make. */
export function madeRails(devices: readonly SiteDevice[]): MadeRail[] {
  return devices.flatMap((device) => device.profile.provides.map((rail) => ({ device: device.id, rail })));
}

type Output = Pick<Rail, "kind" | "volts" | "feeds">;

/** Why this output cannot feed this supply; undefined when it can. */
export function supplyMisfit(
  output: Output,
  supply: DeviceSupply,
  duty: LoadDuty,
): "duty" | "kind" | "volts" | undefined {
  if (!output.feeds.includes(duty)) return "duty";
  if (supply.kind !== "either" && supply.kind !== output.kind) return "kind";
  if (output.volts < supply.volts.min || output.volts > supply.volts.max) return "volts";
  return undefined;
}

/** Why this input cannot take this contact; undefined when it can. */
export function contactMisfit(
  input: BoardInput,
  contact: DeviceContact,
  board: BoardProfile,
  leaf?: LeafId,
): "duty" | "leaf" | "sense" | "rest" | undefined {
  if (!input.takes.includes(contact.duty)) return "duty";
  if (input.leaves && leaf && !input.leaves.includes(leaf)) return "leaf";
  if (input.contact !== contact.rest) return "rest";
  return senseFits(input, contact, board) ? undefined : "sense";
}

/** What the edge-sensing behaviour calls what this contact gives. */
export function sensingWord({ senses = "contact" }: DeviceContact): "contact" | "resistor" | "optical" {
  return senses === "pulse" ? "optical" : senses;
}

/** True when the input looks for what the contact gives, or can be set to. */
function senseFits(input: BoardInput, contact: DeviceContact, board: BoardProfile): boolean {
  if (input.setBy.includes("edge-sensing") && canSet(board, "edge-sensing", sensingWord(contact)))
    return contact.ohms === undefined || contact.ohms === input.ohms;
  return input.senses === (contact.senses ?? "contact") && input.ohms === contact.ohms;
}

/** Every place that can meet the demand, with how far it is from the best: 0 is the place made for it. */
export function placesFor(
  demand: Demand,
  board: BoardProfile,
  made: readonly MadeRail[],
): { place: Place; rank: number }[] {
  if (demand.kind === "contact")
    return board.inputs
      .filter((input) => !contactMisfit(input, demand.contact, board, demand.device.leaf))
      .map((input) => ({ place: { kind: "input", input }, rank: input.takes.indexOf(demand.contact.duty) }));
  const { supply, duty } = demand;
  return [
    ...board.rails
      .filter((rail) => !supplyMisfit(rail, supply, duty))
      .map((rail) => ({ place: { kind: "rail", rail } as const, rank: rail.feeds.indexOf(duty) })),
    ...made
      .filter((each) => each.device !== demand.device.id && !supplyMisfit(each.rail, supply, duty))
      .map((each) => ({ place: { kind: "made", made: each } as const, rank: board.rails.length })),
  ];
}
