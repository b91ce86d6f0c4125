import { situationNames } from "../circuit/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { plainNumber } from "../quantity/index.ts";
import type { RailLoad } from "./loads.ts";

const mA = (value: number) => `${plainNumber(value)} mA`;

function subjectsOf(rail: RailLoad): Finding["subjects"] {
  const maker = rail.id.includes("/")
    ? [{ kind: "device" as const, id: rail.id.slice(0, rail.id.indexOf("/")) }]
    : [];
  return [
    ...maker,
    ...(maker.length ? [] : rail.rails).map((id) => ({ kind: "rail" as const, id })),
    ...rail.loads.filter((load) => !load.card).map((load) => ({ kind: "device" as const, id: load.device })),
  ];
}

/**
 * Traps 19 and 29: each limit that its loads pass together, in the situation in which they pass it most;
 * what passes it only as it is switched on, and converters too small for their loads or too greedy for their terminal.
 */
export function overloadFindings(loads: readonly RailLoad[]): Finding[] {
  const converters = new Set(
    loads.filter((rail) => rail.id.includes("/")).map((rail) => rail.id.slice(0, rail.id.indexOf("/"))),
  );
  return loads.flatMap((rail): Finding[] => {
    const { workingMilliamps: working, limitMilliamps: limit } = rail;
    const made = rail.id.includes("/");
    if (working > limit && made)
      return [
        finding("converter-too-small", subjectsOf(rail), {
          converter: rail.label,
          load: mA(working),
          when: situationNames[rail.worst],
          limit: mA(limit),
        }),
      ];
    const greedy = rail.loads.find(
      (load) => converters.has(load.device) && load.milliamps[rail.worst] > limit,
    );
    if (greedy)
      return [
        finding("converter-asks-too-much", subjectsOf(rail), {
          converter: greedy.name,
          load: mA(greedy.milliamps[rail.worst]),
          rail: rail.label,
          output: mA(
            loads.find((each) => each.id.startsWith(`${greedy.device}/`))?.milliamps[rail.worst] ?? 0,
          ),
          limit: mA(limit),
        }),
      ];
    if (working > limit)
      return [
        finding("rail-overloaded", subjectsOf(rail), {
          rail: rail.label,
          load: mA(working),
          when: situationNames[rail.worst],
          limit: mA(limit),
          excess: mA(working - limit),
        }),
      ];
    const surges = rail.loads.map((load) => ({
      load,
      peak: working - load.milliamps[rail.worst] + load.inrushMilliamps,
    }));
    const [worst] = surges.sort((a, b) => b.peak - a.peak);
    if (!worst || worst.peak <= limit) return [];
    return [
      finding("rail-inrush", subjectsOf(rail), {
        rail: rail.label,
        device: worst.load.name,
        load: mA(worst.peak),
        limit: mA(limit),
      }),
    ];
  });
}
