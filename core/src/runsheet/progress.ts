import { behaviour, behaviourText, type BehaviourId } from "../board/index.ts";
import { commitFindings, forceFindings, thresholdFindings, type Positions } from "../controls/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import type { LogEntry, StateEffect, StepEntry } from "../job/index.ts";
import { asWiredFindings, linkFindings } from "../wiring/index.ts";
import { conditionHolds, readFace, switchedOff } from "./face.ts";
import {
  applyEffect,
  installationOf,
  stateAsFound,
  wiresOf,
  type BenchState,
  type Planned,
} from "./state.ts";
import { testFindings } from "./tested.ts";
import { stations, type Station, type Step } from "./step.ts";

/** The latest word on each step; a withdrawn one counts as open again. */
export function outcomes(log: readonly LogEntry[]): Map<string, StepEntry> {
  const latest = new Map<string, StepEntry>();
  for (const entry of log) if (entry.kind === "step") latest.set(entry.step, entry);
  for (const [step, entry] of latest) if (entry.outcome === "withdrawn") latest.delete(step);
  return latest;
}

/** The bench as the log leaves it: as found, then the effects of every step that was seen done, in the order they came. */
export function stateNow(planned: Planned): BenchState {
  const said = outcomes(planned.bundle.log);
  return planned.bundle.log
    .flatMap((entry): readonly StateEffect[] => {
      if (entry.kind === "wired") return [{ kind: "move", moves: entry.moves }];
      const counts = entry.kind === "step" && said.get(entry.step)?.id === entry.id;
      return counts && entry.outcome === "seen" ? entry.effects : [];
    })
    .reduce(applyEffect, stateAsFound(planned.bundle));
}

/**
 * The bench as it will be once the steps after the last answered one are done. What was passed over, or not seen, stays
 * as it is: what is wrong here is wrong and not merely still ahead.
 */
export function stateAhead(planned: Planned, sheet: readonly Step[], now: BenchState): BenchState {
  const said = outcomes(planned.bundle.log);
  const last = sheet.findLastIndex((step) => said.has(step.id));
  const ahead = sheet
    .slice(last + 1)
    .flatMap((step) => step.effects)
    .reduce(applyEffect, now);
  // A core that was found somewhere is not landed once more by a step that is still ahead.
  return { ...ahead, sits: { ...ahead.sits, ...now.sits } };
}

/** Trap 2: protection inputs that read open while nothing is tripped. */
function protectionFindings(planned: Planned, state: BenchState): Finding[] {
  if (!state.powered) return [];
  const { readings } = readFace(planned, state);
  return planned.bundle.board.inputs
    .filter(
      (input) =>
        input.contact === "closed" &&
        (input.guards.length > 0 || input.link !== undefined) &&
        !readings.inputs[input.id]?.closed &&
        !switchedOff(input.id, state, planned),
    )
    .map((input) =>
      finding(
        "protection-open",
        [
          { kind: "input", id: input.id },
          { kind: "terminal", id: input.terminal },
        ],
        {
          input: input.label,
          terminal: input.terminal,
        },
      ),
    );
}

/** The least force that any procedure of the board asks for, %. */
function leastForce(planned: Planned, id: BehaviourId): number | undefined {
  const needs = planned.bundle.board.procedures.flatMap((procedure) => procedure.needs);
  const asked = needs.flatMap((need) =>
    need.behaviour === id && need.atLeast !== undefined ? [need.atLeast] : [],
  );
  return asked.length ? Math.max(...asked) : undefined;
}

/** Trap 1 for each force the board has, where the controls stand; `planned` is where they should. */
export function weakForce(planned: Planned, at: Positions): Finding[] {
  return (["force", "force-opening", "force-closing"] as const).flatMap((id) => {
    const least = leastForce(planned, id);
    const { board } = planned.bundle;
    return least === undefined ? [] : forceFindings(board, at, least, planned.controls.positions, id);
  });
}

/** Traps 18 and 47: what was joined under power and must not be, and a battery still on while the board is isolated. */
function liveFindings(planned: Planned, state: BenchState): Finding[] {
  const { devices, cores } = planned.wiring;
  const wires = wiresOf(planned.wiring, state);
  return devices.flatMap((device): Finding[] => {
    const about = [{ kind: "device" as const, id: device.id }];
    const live = device.profile.keyed && state.landedLive.some((pin) => pin.startsWith(`${device.id}/`));
    const battery = device.profile.provides.some((rail) => rail.feeds.includes("battery"));
    const wanted = cores.filter((core) => core.device === device.id).length;
    const landed = wires.filter((wire) => wire.device === device.id).length;
    return [
      ...(live ? [finding("plugged-while-live", about, { device: device.name })] : []),
      ...(battery && !state.powered && wanted > 0 && landed === wanted
        ? [finding("battery-left-connected", about, { device: device.name })]
        : []),
    ];
  });
}

/** What is wrong with the bench as it stands: traps 1 to 5, 13, 14, 18, 20, 37, 42, 44 and 47. */
export function inspect(planned: Planned, state: BenchState): Finding[] {
  const { board } = planned.bundle;
  const cores = wiresOf(planned.wiring, state);
  return [
    ...linkFindings(
      board,
      cores,
      state.links,
      planned.wiring.cores.filter((core) => state.sits[core.from] !== undefined),
    ),
    ...protectionFindings(planned, state),
    ...thresholdFindings(board, state.positions, planned.controls.positions),
    ...weakForce(planned, state.inForce),
    ...asWiredFindings({
      at: installationOf(board, planned.wiring, state),
      wiring: planned.wiring,
      sits: state.sits,
    }),
    ...liveFindings(planned, state),
    ...testFindings(planned, state.inForce),
    ...commitFindings(board, state.positions, state.inForce),
  ];
}

/** How far a station is: settled, open, or blocked with the reason in a sentence. */
export interface StationStatus {
  station: Station;
  state: "settled" | "open" | "blocked";
  done: number;
  total: number;
  reason?: string;
  /** Blocked because something is wrong, and not merely because earlier work is still ahead. */
  trouble?: boolean;
}

const needText = (planned: Planned, need: NonNullable<Step["needs"]>[number]): string => {
  const input = planned.bundle.board.inputs.find((each) => each.id === need.closed);
  if (input) return `${input.label} (${input.terminal}) must read closed`;
  if (need.powered) return "the board must have power";
  if (need.pending === false) return "every moved control must be read by its gesture";
  const memory = planned.bundle.board.memories.find((each) => each.id === need.learned);
  if (memory) return `${memory.label.toLowerCase()} must be learned first`;
  if (need.mode) return `the board must be ${need.mode}`;
  if (need.behaviour)
    return `${behaviour(need.behaviour).label.toLowerCase()} must be ${need.atLeast === undefined ? behaviourText(need.behaviour, need.is ?? true) : `at least ${need.atLeast}`}`;
  if (need.control) return `${need.control} must stand at ${need.at}`;
  if (need.card) return `the card ${need.card} must be fitted`;
  return "a condition of the procedure is not met";
};

/** Needs of a station's open steps that the bench does not meet now. */
function unmetNeeds(planned: Planned, sheet: readonly Step[], station: Station, now: BenchState): string[] {
  const said = outcomes(planned.bundle.log);
  const { readings } = readFace(planned, now);
  const needs = sheet
    .filter((step) => step.station === station && said.get(step.id)?.outcome !== "seen")
    .slice(0, 1)
    .flatMap((step) => step.needs ?? []);
  return needs
    .filter((need) => !conditionHolds(need, now, readings, planned))
    .map((need) => needText(planned, need));
}

function surveyStatus(planned: Planned, grave: readonly Finding[]): StationStatus {
  const { found, devices } = planned.bundle.job;
  const done = Number(found.noted) + Number(devices.length > 0);
  const base = { station: "survey" as const, done, total: 2 };
  if (grave.length)
    return {
      ...base,
      state: "blocked",
      reason: "The plan has a finding that must be put right.",
      trouble: true,
    };
  if (done === 2) return { ...base, state: "settled" };
  return {
    ...base,
    state: "open",
    reason: devices.length ? "The board as found is not noted yet." : "No devices yet.",
  };
}

/** Every station's status, in the order of the work. `planFindings` are those of the plan, not of a state. */
export function stationStatuses(
  planned: Planned,
  sheet: readonly Step[],
  planFindings: readonly Finding[],
): StationStatus[] {
  const said = outcomes(planned.bundle.log);
  const now = stateNow(planned);
  const grave = planFindings.filter((each) => each.severity === "danger" || each.severity === "fault");
  return stations.map((station): StationStatus => {
    if (station === "survey") return surveyStatus(planned, grave);
    const steps = sheet.filter((step) => step.station === station);
    const done = steps.filter((step) => said.get(step.id)?.outcome === "seen").length;
    const base = { station, done, total: steps.length };
    const failed = steps.find((step) => said.get(step.id)?.outcome === "not-seen");
    if (failed) return { ...base, state: "blocked", reason: `Not seen: ${failed.title}.`, trouble: true };
    if (done === steps.length) return { ...base, state: "settled" };
    const unmet = unmetNeeds(planned, sheet, station, now);
    if (unmet.length) return { ...base, state: "blocked", reason: `First: ${unmet.join("; ")}.` };
    return { ...base, state: "open" };
  });
}
