import { madeFrom } from "../../device/index.ts";
import type { Demand, MadeRail } from "./demand.ts";
import type { Placed } from "./explain.ts";

type SupplyDemand = Extract<Demand, { kind: "supply" }>;

/** The placed supply that a rail of a device is made from; undefined for a device that needs none. */
export function feederOf<P extends Placed>(
  { device, rail }: MadeRail,
  placements: readonly P[],
): (P & { demand: SupplyDemand }) | undefined {
  return placements.find(
    (placed): placed is P & { demand: SupplyDemand } =>
      placed.demand.kind === "supply" &&
      placed.demand.device.id === device &&
      madeFrom(placed.demand.device.profile, placed.demand.supply).includes(rail),
  );
}
