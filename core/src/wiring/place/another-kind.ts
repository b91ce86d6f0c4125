import { suppliedWith, type DeviceSupply } from "../../device/index.ts";
import { finding, type Finding, type Subject } from "../../finding/index.ts";

/** Trap 20: a supply met by the other kind of current than it is made for. `given` is what is there, at `where`. */
export function anotherKind(
  subjects: Subject[],
  supply: DeviceSupply,
  { device, where, given, remedy }: { device: string; where: string; given: string; remedy: string },
): Finding {
  return finding("ac-on-dc", subjects, {
    device,
    wanted: suppliedWith(supply),
    rail: where,
    given,
    why:
      supply.kind === "dc"
        ? "Alternating current on a direct current device overheats or destroys it."
        : "Windings made for alternating current draw far too much direct current: they overheat, and a motor does not turn.",
    remedy,
  });
}
