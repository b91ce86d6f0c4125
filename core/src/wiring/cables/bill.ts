import { listed, plainNumber } from "../../quantity/index.ts";
import type { CablePlan } from "./cables.ts";
import type { Core } from "../cores/index.ts";
import type { SiteDevice } from "../place/index.ts";

/** A kind of cable, or another thing, to bring. */
export interface BillLine {
  what: string;
  amount: number;
  unit: "m" | "pieces";
  why: string;
}

/** What to bring: cable by kind in metres, connectors for what is joined, and what a device asks for beside itself. */
export function billOf(
  devices: readonly SiteDevice[],
  cores: readonly Core[],
  cables: readonly CablePlan[],
): BillLine[] {
  const kinds = new Map<string, CablePlan[]>();
  for (const cable of cables) {
    const kind = `${cable.soldCores} × ${plainNumber(cable.sizeMm2, 2)} mm², ${cable.strands}${cable.carries === "mains" ? ", for mains" : ""}`;
    kinds.set(kind, [...(kinds.get(kind) ?? []), cable]);
  }
  const joints = new Set(cores.flatMap(({ to }) => (to.kind === "joint" ? [to.joint] : [])));
  const coils = devices.filter((device) =>
    device.profile.supplies.some((supply) => supply.suppression === "to be fitted"),
  );
  const lines = [...kinds].map(([what, members]): BillLine => ({
    what: `Cable ${what}`,
    amount: members.reduce((sum, cable) => sum + cable.cutM, 0),
    unit: "m",
    why: `${members.length === 1 ? "one piece" : `${members.length} pieces`}: ${listed(members.map(({ label, cutM }) => `${label} ${plainNumber(cutM)} m`))}`,
  }));
  return [
    ...lines,
    ...(joints.size
      ? [
          {
            what: "Connector for two cores",
            amount: joints.size,
            unit: "pieces" as const,
            why: `chained contacts meet in ${listed([...joints])}`,
          },
        ]
      : []),
    ...(coils.length
      ? [
          {
            what: "Suppression for a coil",
            amount: coils.length,
            unit: "pieces" as const,
            why: `fitted across ${listed(coils.map(({ name }) => name))}`,
          },
        ]
      : []),
  ];
}
