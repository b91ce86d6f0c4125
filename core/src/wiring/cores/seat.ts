import type { Seat } from "../../node/index.ts";
import type { SiteDevice } from "../place/index.ts";

/** Where a core sits, in words: a terminal, a connector, or a pin of another device. */
export function seatText(
  seat: Seat,
  devices: readonly Pick<SiteDevice, "id" | "name" | "profile">[],
): string {
  if (seat === "off") return "nothing";
  switch (seat.kind) {
    case "terminal":
      return seat.terminal;
    case "joint":
      return `connector ${seat.joint}`;
    case "pole":
      return `pole ${seat.pole}`;
    case "pin": {
      const device = devices.find((each) => each.id === seat.device);
      const label = device?.profile.pins.find((pin) => pin.id === seat.pin)?.label ?? seat.pin;
      return `${device?.name ?? seat.device}, ${label}`;
    }
  }
}
