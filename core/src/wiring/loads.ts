import type { BoardProfile } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { loopDropVolts, plainNumber } from "../quantity/index.ts";
import type { Cable } from "../job/index.ts";
import { madeRails, type SiteDevice } from "./demand.ts";
import { limitOf, type Placement } from "./place.ts";

/** One device's draw on a limit. */
export interface Load {
  device: string;
  name: string;
  supply: string;
  restMilliamps: number;
  workingMilliamps: number;
  /** Volts that reach the device at 20 °C with its working current, over its own cable alone. */
  voltsAtDevice: number;
  /** Volts it must have. */
  leastVolts: number;
}

/** What a limit carries: a rail's own, a budget that rails share, or the output of a converter. */
export interface RailLoad {
  id: string;
  label: string;
  rails: string[];
  limitMilliamps: number;
  loads: Load[];
  restMilliamps: number;
  workingMilliamps: number;
}

const round = (value: number) => Math.round(value * 1000) / 1000;

function loadsOn(
  placements: readonly Placement[],
  cables: Readonly<Record<string, Record<string, Cable>>>,
  counts: (placement: Placement) => boolean,
): Load[] {
  return placements.filter(counts).flatMap(({ demand, place }): Load[] => {
    if (demand.kind !== "supply" || !place || place.kind === "input") return [];
    const { device, supply } = demand;
    const source = place.kind === "rail" ? place.rail : place.made.rail;
    const part = device.profile.pins.find((pin) => pin.id === supply.pins.plus)?.part ?? "";
    const cable = cables[device.id]?.[part];
    const strands = device.profile.parts.find((each) => each.id === part)?.strands === "solid" ? 2 : 5;
    const drop = cable
      ? loopDropVolts(supply.milliamps.working, cable.sizeMm2, cable.lengthM, 20, strands)
      : 0;
    return [
      {
        device: device.id,
        name: device.name,
        supply: supply.id,
        restMilliamps: supply.milliamps.rest,
        workingMilliamps: supply.milliamps.working,
        voltsAtDevice: round(source.volts - drop),
        leastVolts: supply.volts.min,
      },
    ];
  });
}

/** Every limit with what it carries when all that it feeds works together, mA; drives, which the board limits by force, are left out. */
export function railLoads(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cables: Readonly<Record<string, Record<string, Cable>>>,
): RailLoad[] {
  const limits: {
    id: string;
    label: string;
    rails: string[];
    limitMilliamps: number;
    counts: (p: Placement) => boolean;
  }[] = [
    ...board.budgets.map((budget) => {
      const rails = board.rails.filter((rail) => rail.budget === budget.id).map((rail) => rail.id);
      return {
        ...budget,
        rails,
        counts: (p: Placement) => p.place?.kind === "rail" && rails.includes(p.place.rail.id),
      };
    }),
    ...board.rails.flatMap((rail) =>
      rail.limitMilliamps
        ? [
            {
              id: rail.id,
              label: rail.label,
              rails: [rail.id],
              limitMilliamps: rail.limitMilliamps,
              counts: (p: Placement) => !!p.place && limitOf(p.place)?.id === rail.id,
            },
          ]
        : [],
    ),
    ...madeRails(devices).map(({ device, rail }) => ({
      id: `${device}/${rail.id}`,
      label: `${devices.find((each) => each.id === device)?.name ?? device}, output`,
      rails: [],
      limitMilliamps: rail.limitMilliamps,
      counts: (p: Placement) => !!p.place && limitOf(p.place)?.id === `${device}/${rail.id}`,
    })),
  ];
  return limits.map(({ counts, ...limit }) => {
    const loads = loadsOn(placements, cables, counts);
    const sum = (key: "restMilliamps" | "workingMilliamps") =>
      loads.reduce((total, load) => total + load[key], 0);
    return {
      ...limit,
      loads,
      restMilliamps: sum("restMilliamps"),
      workingMilliamps: sum("workingMilliamps"),
    };
  });
}

/** Trap 29: each limit that its loads pass together. */
export function overloadFindings(loads: readonly RailLoad[]): Finding[] {
  return loads
    .filter((rail) => rail.workingMilliamps > rail.limitMilliamps)
    .map((rail) =>
      finding(
        "rail-overloaded",
        [
          ...(rail.rails.length ? rail.rails : [rail.id]).map((id) => ({ kind: "rail" as const, id })),
          ...rail.loads.map((load) => ({ kind: "device" as const, id: load.device })),
        ],
        {
          rail: rail.label,
          load: `${plainNumber(rail.workingMilliamps)} mA`,
          limit: `${plainNumber(rail.limitMilliamps)} mA`,
          excess: `${plainNumber(rail.workingMilliamps - rail.limitMilliamps)} mA`,
        },
      ),
    );
}
