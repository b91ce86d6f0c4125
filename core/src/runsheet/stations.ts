import { listed } from "../quantity/index.ts";
import type { Finding } from "../finding/index.ts";
import { surveyNeeds, surveyWants } from "../job/index.ts";
import type { Planned } from "../state/index.ts";
import { gatesBefore, type Gated } from "./preconditions.ts";
import { stations, type Station } from "./step.ts";
import { answersOf } from "./voids.ts";

/** How far a station is: settled, open, or blocked with the reason in a sentence. */
export interface StationStatus {
  station: Station;
  state: "settled" | "open" | "blocked";
  done: number;
  total: number;
  reason?: string;
  /** Blocked because something is wrong, and not merely because earlier work is still ahead. */
  trouble?: boolean;
  /** What of the survey is still wanted, in words. */
  wants?: readonly string[];
}

function surveyStatus(planned: Planned, grave: readonly Finding[]): StationStatus {
  const wants = surveyWants(planned.bundle.job).flatMap(({ what, isNeeded }) => (isNeeded ? [what] : []));
  const base = { station: "survey" as const, done: surveyNeeds - wants.length, total: surveyNeeds, wants };
  if (grave.length)
    return {
      ...base,
      state: "blocked",
      reason: "The plan has a finding that must be put right.",
      trouble: true,
    };
  if (!wants.length) return { ...base, state: "settled" };
  return { ...base, state: "open", reason: `Still wanted: ${listed(wants)}.` };
}

/** Every station's status, in the order of the work. `planFindings` are those of the plan, not of a state. */
export function stationStatuses(gated: Gated & Planned, planFindings: readonly Finding[]): StationStatus[] {
  const { sheet } = gated;
  const { holds: said, voided } = answersOf(gated);
  const grave = planFindings.filter((each) => each.severity === "danger" || each.severity === "fault");
  return stations.map((station): StationStatus => {
    if (station === "survey") return surveyStatus(gated, grave);
    const steps = sheet.filter((step) => step.station === station);
    const done = steps.filter((step) => said.get(step.id)?.outcome === "seen").length;
    const base = { station, done, total: steps.length };
    const failed = steps.find((step) => said.get(step.id)?.outcome === "not-seen");
    if (failed) return { ...base, state: "blocked", reason: `Not seen: ${failed.title}.`, trouble: true };
    const next = steps.find((step) => said.get(step.id)?.outcome !== "seen");
    if (!next) return { ...base, state: "settled" };
    const gates = gatesBefore(gated, next);
    const again = steps.find((step) => voided.has(step.id));
    const reopened = again && `Open again: ${again.title}. ${voided.get(again.id)!.reasons.join(" ")}`;
    if (!gates.length) return { ...base, state: "open", ...(reopened ? { reason: reopened } : {}) };
    const danger = gates.some(({ kind }) => kind === "danger");
    const reason = gates.map(({ what }) => what).join(" ");
    return { ...base, state: "blocked", reason, ...(danger ? { trouble: true } : {}) };
  });
}
