import { terminalOf, type BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { nodeWord, terminalIn } from "../../node/index.ts";
import { extraLowVolts, listed } from "../../quantity/index.ts";
import type { Core } from "../cores/index.ts";
import type { SiteDevice } from "../place/index.ts";

/** Core counts that cables are commonly sold with. Common practice, no published source. */
const soldCores = [2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 24] as const;

/** Left over at each run for stripping, a service loop in the cabinet and the device, m. Common practice, no published source. */
export const allowanceM = { cabinet: 1, device: 0.5 };

/** Cut lengths are rounded up to half a metre: nobody measures closer along a wall. Common practice. */
export const cutStepM = 0.5;

/** A device's part at the end of a cable. */
export interface CableEnd {
  device: string;
  name: string;
  part: string;
  lengthM: number;
  sizeMm2: number;
  /** Cores its part needs. */
  cores: number;
}

/** A cable that is pulled: one for each part, or one that several share. */
export interface CablePlan {
  /** Its key: of its run's name, or of the part it belongs to. */
  id: string;
  /** The name of the run it shares; left out for a cable of its own. */
  run?: string;
  label: string;
  ends: CableEnd[];
  /** Length of the run, m: to the farthest of its ends. */
  lengthM: number;
  /** What is cut off the drum, m: the run with its allowances. */
  cutM: number;
  cores: number;
  /** Cores of a cable that is sold, with at least one to spare where it does not carry mains. */
  soldCores: number;
  spares: number;
  /** The size at hand, mm²; of a shared cable the least of them. */
  sizeMm2: number;
  strands: "solid" | "flexible";
  carries: "mains" | "extra-low voltage";
  /** The size with which every device on it has its voltage, mm²; undefined where the thickest is not enough. */
  enoughMm2?: number;
}

/** The key of a cable: of the run it shares, or of the part it belongs to alone. */
export const cableKey = (device: string, part: string, run?: string): string =>
  run === undefined ? `part ${device} ${part}` : `run ${run}`;

/** Terminals that carry more than extra-low voltage. */
function mainsTerminals(board: BoardProfile, cores: readonly Core[]): Set<string> {
  const high = board.rails.filter((rail) => rail.volts > extraLowVolts[rail.kind]);
  const fed = new Set(high.flatMap((rail) => [...rail.plus, ...rail.minus, ...(rail.third ?? [])]));
  const isHigh = ({ to }: Core) => to.kind === "pole" || fed.has(terminalIn(to) ?? "");
  // A relay passes on what its common is bridged to.
  const relays = board.outputs.filter(
    ({ kind, terminals }) =>
      kind === "relay" &&
      cores.some(
        (core) => core.from.kind === "terminal" && core.from.terminal === terminals[0] && isHigh(core),
      ),
  );
  return new Set([...fed, ...relays.flatMap(({ terminals }) => terminals)]);
}

/** True for a core that ends on the mains side, or is fed from above extra-low voltage. */
function carriesMains(board: BoardProfile, mains: ReadonlySet<string>, core: Core): boolean {
  const terminal = terminalIn(core.to);
  if (terminal === undefined) return core.to.kind === "pole";
  return mains.has(terminal) || terminalOf(board, terminal)?.block.purpose === "mains";
}

function endsOf(
  devices: readonly SiteDevice[],
  cores: readonly Core[],
): { id: string; run?: string; end: CableEnd; mine: Core[]; solid: boolean }[] {
  return devices.flatMap((device) =>
    device.profile.parts.flatMap((part) => {
      const mine = cores.filter((core) => core.device === device.id && core.part === part.id && core.cable);
      const cable = mine[0]?.cable;
      if (!cable) return [];
      const name = device.profile.parts.length > 1 ? `${device.name}, ${part.label}` : device.name;
      const pins = new Set(mine.map((core) => core.pin));
      const { lengthM, sizeMm2, run } = cable;
      return [
        {
          id: cableKey(device.id, part.id, run),
          ...(run === undefined ? {} : { run }),
          end: { device: device.id, name, part: part.id, lengthM, sizeMm2, cores: pins.size },
          mine,
          solid: part.strands === "solid",
        },
      ];
    }),
  );
}

const roundUp = (lengthM: number) => Math.ceil(lengthM / cutStepM - 1e-9) * cutStepM;

/** The least cable that is sold with so many cores; over the largest, the number itself. */
const sold = (cores: number) => soldCores.find((count) => count >= cores) ?? cores;

/** Every cable of a job with its cores, its spares and what is cut for it; parts that name the same run share one. */
export function cablesOf(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  cores: readonly Core[],
): CablePlan[] {
  const mains = mainsTerminals(board, cores);
  const runs = new Map<string, ReturnType<typeof endsOf>>();
  for (const end of endsOf(devices, cores)) runs.set(end.id, [...(runs.get(end.id) ?? []), end]);
  return [...runs].map(([id, members]): CablePlan => {
    const ends = members.map(({ end }) => end);
    const count = ends.reduce((sum, end) => sum + end.cores, 0);
    const high = members.some(({ mine }) => mine.some((core) => carriesMains(board, mains, core)));
    const bought = sold(count + (high ? 0 : 1));
    const lengthM = Math.max(...ends.map((end) => end.lengthM));
    const taps = ends.length * allowanceM.device;
    const { run } = members[0]!;
    return {
      id,
      ...(run === undefined ? {} : { run }),
      label: run ?? ends[0]!.name,
      ends,
      lengthM,
      cutM: roundUp(lengthM + allowanceM.cabinet + taps),
      cores: count,
      soldCores: bought,
      spares: bought - count,
      sizeMm2: Math.min(...ends.map((end) => end.sizeMm2)),
      strands: members.every(({ solid }) => solid) ? "solid" : "flexible",
      carries: high ? "mains" : "extra-low voltage",
    };
  });
}

/** Cables in which mains and extra-low voltage would run side by side. */
export function segregationFindings(
  board: BoardProfile,
  cores: readonly Core[],
  cables: readonly CablePlan[],
): Finding[] {
  const mains = mainsTerminals(board, cores);
  return cables.flatMap((cable): Finding[] => {
    const mine = cores.filter((core) =>
      cable.ends.some((end) => end.device === core.device && end.part === core.part),
    );
    const high = mine.filter((core) => carriesMains(board, mains, core));
    if (!high.length || high.length === mine.length) return [];
    return [
      finding(
        "mains-beside-low",
        [...new Set(mine.flatMap((core) => core.device ?? []))].map((id) => ({
          kind: "device" as const,
          id,
        })),
        {
          cable: cable.label,
          high: listed([...new Set(high.map((core) => `${core.deviceName} (${nodeWord(core.to)})`))]),
        },
      ),
    ];
  });
}
