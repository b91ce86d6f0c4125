import type { BoardInput, BoardProfile, LoadDuty, Rail } from "../../board/index.ts";
import type { PlacedDevice } from "../../circuit/index.ts";
import type {
  CoreColour,
  DeviceContact,
  DeviceProfile,
  DeviceRail,
  DeviceSupply,
} from "../../device/index.ts";
import type { LeafId } from "../../job/index.ts";

/** A device on site, with what is known of it there. */
export interface SiteDevice extends PlacedDevice {
  /** The leaf a drive moves. */
  leaf?: LeafId;
  /** Terminals that pins are wanted on, by pin. */
  pinned?: Readonly<Record<string, string>>;
  /** Core colours found on site where they differ from the device's data, by pin. */
  colours?: Readonly<Record<string, CoreColour>>;
  /** Free space found between its housing and whatever moves past it, mm. */
  clearanceMm?: number;
  /** Jumpers of the device found on. */
  jumpersOn?: readonly string[];
}

/** A rail a device makes, such as a converter's output. */
export interface MadeRail {
  device: string;
  name: string;
  rail: DeviceRail;
}

export type Output = BoardProfile["outputs"][number];

/** What a device needs a place for: a contact wants an input, a supply a rail, a wake pair an output, a source its inlet. */
export type Demand =
  | { kind: "contact"; device: SiteDevice; contact: DeviceContact }
  | { kind: "supply"; device: SiteDevice; supply: DeviceSupply; duty: LoadDuty; duties: readonly LoadDuty[] }
  | { kind: "listen"; device: SiteDevice; listen: DeviceProfile["listens"][number] }
  | { kind: "source"; device: SiteDevice; source: DeviceRail; inlet: "battery" | "panel" };

/** Where a demand is met. */
export type Place =
  | { kind: "input"; input: BoardInput }
  | { kind: "rail"; rail: Rail }
  | { kind: "made"; made: MadeRail }
  /** Fed from a rail through a contact of the board, which is set to this task. */
  | { kind: "relay"; output: Output; rail: Rail; task: string }
  | { kind: "output"; output: Output }
  | { kind: "inlet"; inlet: "battery" | "panel"; plus: string; minus: string; volts: readonly number[] };

const driveDuty: Record<LeafId, LoadDuty> = {
  only: "drive-only",
  overlapping: "drive-overlapping",
  overlapped: "drive-overlapped",
};

/** Everything the devices need a place for, in the order of the devices. */
export function demandsOf(devices: readonly SiteDevice[]): Demand[] {
  return devices.flatMap((device): Demand[] => {
    const { supplies, contacts, listens, provides } = device.profile;
    return [
      ...supplies
        .filter((supply) => !supply.ownSpur)
        .map((supply): Demand => {
          const duty = supply.duty === "drive" ? driveDuty[device.leaf ?? "only"] : supply.duty;
          // By this supply the board may test a contact: it may hang on the rail made for that as well.
          const tested = contacts.some((contact) => contact.test === supply.id);
          return { kind: "supply", device, supply, duty, duties: tested ? [duty, "test-sender"] : [duty] };
        }),
      ...contacts.map((contact): Demand => ({ kind: "contact", device, contact })),
      ...listens.map((listen): Demand => ({ kind: "listen", device, listen })),
      ...provides.flatMap((source): Demand[] => {
        const inlet = source.feeds.find((each) => each === "battery" || each === "panel");
        return inlet ? [{ kind: "source", device, source, inlet }] : [];
      }),
    ];
  });
}

/** The rails that devices make. */
export function madeRails(devices: readonly SiteDevice[]): MadeRail[] {
  return devices.flatMap((device) =>
    device.profile.provides.map((rail) => ({ device: device.id, name: device.name, rail })),
  );
}

/** The pins of a demand. */
export function pinsOf(demand: Demand): string[] {
  switch (demand.kind) {
    case "contact":
      return [...demand.contact.pins];
    case "supply":
      return Object.values(demand.supply.pins).filter((pin) => pin !== undefined);
    case "listen":
      return [...demand.listen.pins];
    case "source":
      return [demand.source.pins.plus, demand.source.pins.minus];
  }
}

/** What the edge-sensing behaviour calls what this contact gives. */
export function sensingWord({ senses = "contact" }: DeviceContact): "contact" | "resistor" | "optical" {
  return senses === "pulse" ? "optical" : senses;
}
