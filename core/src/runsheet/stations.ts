import { conditionHolds, conditionMust, labelsOf } from "../board/index.ts";
import type { Finding } from "../finding/index.ts";
import {
  circumstancesOf,
  outcomes,
  readFace,
  stateNow,
  type BenchState,
  type Planned,
} from "../state/index.ts";
import { stations, type Station, type Step } from "./step.ts";

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

/** Needs of a station's open steps that the bench does not meet now. */
function unmetNeeds(planned: Planned, sheet: readonly Step[], station: Station, now: BenchState): string[] {
  const said = outcomes(planned.bundle.log);
  const { readings } = readFace(planned, now);
  const needs = sheet
    .filter((step) => step.station === station && said.get(step.id)?.outcome !== "seen")
    .slice(0, 1)
    .flatMap((step) => step.needs ?? []);
  const ask = circumstancesOf(planned, now, readings);
  const labels = labelsOf(planned.bundle.board);
  return needs.filter((need) => !conditionHolds(need, ask)).map((need) => conditionMust(need, labels));
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
