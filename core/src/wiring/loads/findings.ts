import { situationNames } from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { plainNumber } from "../../quantity/index.ts";
import type { RailLoad } from "./loads.ts";

const mA = (value: number) => `${plainNumber(value)} mA`;

/** The device whose output this limit is; undefined for a limit of the board. */
const makerOf = ({ limit }: RailLoad) => (limit.kind === "made-rail" ? limit.device : undefined);

function subjectsOf(rail: RailLoad): Finding["subjects"] {
  const maker = makerOf(rail);
  return [
    ...(maker === undefined
      ? rail.rails.map((id) => ({ kind: "rail" as const, id }))
      : [{ kind: "device" as const, id: maker }]),
    ...rail.loads.filter((load) => !load.card).map((load) => ({ kind: "device" as const, id: load.device })),
  ];
}

/** Trap 29, and of trap 19 a converter too small: what the loads pass together, in the situation in which they pass it most. */
function passed(rail: RailLoad): Finding[] {
  const { label, workingMilliamps: working, limitMilliamps: limit } = rail;
  if (working <= limit) return [];
  const values = { load: mA(working), when: situationNames[rail.worst], limit: mA(limit) };
  return makerOf(rail) !== undefined
    ? [finding("converter-too-small", subjectsOf(rail), { converter: label, ...values })]
    : [finding("rail-overloaded", subjectsOf(rail), { rail: label, excess: mA(working - limit), ...values })];
}

/** Of trap 19, a converter that by itself asks more of its terminal than that gives. */
function asksTooMuch(rail: RailLoad, made: readonly RailLoad[]): Finding[] {
  const limit = rail.limitMilliamps;
  return made.flatMap((output): Finding[] => {
    const load = rail.loads.find((each) => each.device === makerOf(output));
    if (!load || load.milliamps[rail.worst] <= limit) return [];
    return [
      finding("converter-asks-too-much", subjectsOf(rail), {
        converter: load.name,
        load: mA(load.milliamps[rail.worst]),
        rail: rail.label,
        output: mA(output.milliamps[rail.worst]),
        limit: mA(limit),
      }),
    ];
  });
}

/** What passes the limit only for a moment, as one of the loads is switched on. */
function surge(rail: RailLoad): Finding[] {
  const { workingMilliamps: working, limitMilliamps: limit } = rail;
  const peaks = rail.loads.map((load) => ({
    load,
    peak: working - load.milliamps[rail.worst] + load.inrushMilliamps,
  }));
  const [worst] = peaks.sort((a, b) => b.peak - a.peak);
  if (!worst || worst.peak <= limit) return [];
  return [
    finding("rail-inrush", subjectsOf(rail), {
      rail: rail.label,
      device: worst.load.name,
      load: mA(worst.peak),
      limit: mA(limit),
    }),
  ];
}

/** What is wrong with each limit, the gravest alone: a converter that asks too much, loads over it, a surge over it. */
export function overloadFindings(loads: readonly RailLoad[]): Finding[] {
  const made = loads.filter((rail) => makerOf(rail) !== undefined);
  return loads.flatMap((rail) => {
    const gravestFirst = [asksTooMuch(rail, made), passed(rail), surge(rail)];
    return gravestFirst.find((findings) => findings.length) ?? [];
  });
}
