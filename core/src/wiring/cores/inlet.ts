import type { BoardProfile } from "../../board/index.ts";
import { spurCoreId } from "../../job/index.ts";
import { poleNode, terminalNode } from "../../node/index.ts";
import { plainNumber } from "../../quantity/index.ts";
import type { Core } from "./cores.ts";
import type { Placement } from "../place/index.ts";

/**
 * Cores of a supply and what each pole is called: brown, black and grey are line conductors, blue is neutral,
 * green-and-yellow earth by IEC 60445 (from memory); local codes decide.
 */
const supplyPoles = {
  live: { label: "live", colour: "BN" },
  l1: { label: "L1", colour: "BN" },
  l2: { label: "L2", colour: "BK" },
  l3: { label: "L3", colour: "GY" },
  neutral: { label: "neutral", colour: "BU" },
  earth: { label: "earth", colour: "GNYE" },
  a: { label: "secondary, one end", colour: "GY" },
  b: { label: "secondary, other end", colour: "GY" },
  plus: { label: "+", colour: "RD" },
  minus: { label: "−", colour: "BK" },
} as const;

/** What the board's supply is called on a wire list. */
export const supplyName: Record<BoardProfile["supply"]["kind"], string> = {
  mains: "Mains spur",
  "three-phase": "Three-phase spur",
  transformer: "Transformer secondary",
  dc: "Supply unit",
  solar: "Solar panel",
};

/** The cores that bring the board its supply; a solar panel among the devices brings its own. */
export function inletCores(board: BoardProfile, placements: readonly Placement[]): Core[] {
  if (placements.some(({ demand, place }) => demand.kind === "source" && demand.inlet === "panel" && place))
    return [];
  const { kind, volts, poles } = board.supply;
  return (Object.keys(supplyPoles) as (keyof typeof supplyPoles)[]).flatMap((pole): Core[] => {
    const target = poles[pole];
    if (!target) return [];
    const { label, colour } = supplyPoles[pole];
    return [
      {
        id: spurCoreId(pole, target),
        from: poleNode(pole),
        to: terminalNode(target),
        deviceName: supplyName[kind],
        part: "spur",
        pin: pole,
        pinLabel: label,
        colour,
        why: `${supplyName[kind].toLowerCase()}, ${volts.map((each) => plainNumber(each)).join(" or ")} V`,
      },
    ];
  });
}
