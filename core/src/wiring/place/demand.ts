import type { BoardInput, BoardProfile, LoadDuty, Rail } from "../../board/index.ts";
import type { PlacedDevice } from "../../circuit/index.ts";
import {
  bears,
  madeFrom,
  type CoreColour,
  type DeviceContact,
  type DeviceProfile,
  type DeviceRail,
  type DeviceSupply,
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
  /** True where it lives whatever the board does: made from a spur of its own, or from nothing. */
  alone: boolean;
}

export type Output = BoardProfile["outputs"][number];

/** What a device needs a place for: a contact wants an input, a supply a rail, a wake pair an output, a source its inlet. */
export type Demand =
  | { kind: "contact"; device: SiteDevice; contact: DeviceContact }
  | {
      kind: "supply";
      device: SiteDevice;
      supply: DeviceSupply;
      duty: LoadDuty;
      duties: readonly LoadDuty[];
      /** When it must live: as it says itself, and a converter always where it may feed what always lives. */
      lives: DeviceSupply["lives"];
    }
  | { kind: "listen"; device: SiteDevice; listen: DeviceProfile["listens"][number] }
  | { kind: "source"; device: SiteDevice; source: DeviceRail; inlet: "battery" | "panel" };

/** What feeds a load by way of a relay: a rail of the board, one that a device makes, or the board's own mains spur. */
export type RelayFeed =
  | { kind: "rail"; rail: Rail }
  | { kind: "made"; made: MadeRail }
  | { kind: "spur"; volts: number };

/** A task that a relay is set to for the sake of a load. */
export type RelayTask = "moving" | "courtesy" | "lock" | "traffic-go" | "traffic-wait";

/** A relay of the board with the task it is set to for a load. */
export interface RelayUse {
  output: Output;
  task: RelayTask;
}

/** Fed through contacts of the board; a load of three poles by two of them. */
export interface RelayPlace extends RelayUse {
  kind: "relay";
  feed: RelayFeed;
  /** The contact that conducts while the relay is let go, for what must live until then. */
  rests?: true;
  /** The relay that switches the third pole. */
  third?: RelayUse;
}

/** Where a demand is met. */
export type Place =
  | { kind: "input"; input: BoardInput }
  | { kind: "rail"; rail: Rail }
  | { kind: "made"; made: MadeRail }
  | RelayPlace
  | { kind: "output"; output: Output }
  | { kind: "inlet"; inlet: "battery" | "panel"; plus: string; minus: string; volts: readonly number[] };

const driveDuty: Record<LeafId, LoadDuty> = {
  only: "drive-only",
  overlapping: "drive-overlapping",
  overlapped: "drive-overlapped",
};

/** True where what is made from this supply may feed a device that must always live. */
const feedsAlways = (maker: SiteDevice, supply: DeviceSupply, devices: readonly SiteDevice[]): boolean =>
  madeFrom(maker.profile, supply).some((rail) =>
    devices.some(
      (device) =>
        device.id !== maker.id &&
        device.profile.supplies.some(
          (other) =>
            other.lives === "always" && rail.feeds.some((duty) => duty === other.duty) && bears(other, rail),
        ),
    ),
  );

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
          const lives =
            supply.lives === "any" && feedsAlways(device, supply, devices) ? "always" : supply.lives;
          return {
            kind: "supply",
            device,
            supply,
            duty,
            duties: tested ? [duty, "test-sender"] : [duty],
            lives,
          };
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
    device.profile.provides.map((rail) => ({
      device: device.id,
      name: device.name,
      rail,
      alone: !device.profile.supplies.some(
        (supply) => !supply.ownSpur && madeFrom(device.profile, supply).includes(rail),
      ),
    })),
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
