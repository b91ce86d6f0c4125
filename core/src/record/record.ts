import { UTCDate } from "@date-fns/utc";
import { addMonths } from "date-fns";
import type { LogEntry } from "../job/index.ts";
import { sameSeat, type Seat } from "../node/index.ts";
import type { JobPlan } from "../plan/index.ts";
import type { Step } from "../runsheet/index.ts";
import { outcomes } from "../state/index.ts";
import { seatOf, seatText, type Core } from "../wiring/index.ts";

/** One control in three columns. */
export interface SettingRow {
  id: string;
  label: string;
  found: string;
  planned: string;
  left: string;
}

/** One step that was answered. */
export interface ResultRow {
  step: string;
  station: string;
  title: string;
  outcome: "seen" | "not-seen";
  at: string;
  by: string;
  note?: string;
  reading?: { quantity: string; value: number; unit: string };
}

/** The job's record, made from the log: what was found, done, read and left. */
export interface SiteRecord {
  wiring: {
    device: string;
    part: string;
    pin: string;
    colour: Core["colour"];
    sizeMm2?: number;
    lengthM?: number;
    /** Where it sits, in words. */
    place: string;
    asPlanned: boolean;
    landed: boolean;
  }[];
  links: { between: string; found: string; planned: string; left: string }[];
  settings: SettingRow[];
  results: ResultRow[];
  /** Answers to steps that a later change of the plan did away with. */
  superseded: ResultRow[];
  /** Steps without an answer. */
  open: Step[];
  notes: { at: string; by: string; text: string }[];
  cautions: string[];
  handedOver?: { at: string; by: string; to: string; nextService: string };
}

/** The day so many months after a moment, as "2027-02-28"; a day the month lacks becomes its last day. UTC. */
const monthsAfter = (iso: string, months: number): string =>
  addMonths(new UTCDate(iso), months).toISOString().slice(0, 10);

function handOver(log: readonly LogEntry[], months: number): SiteRecord["handedOver"] {
  const last = log.filter((entry) => entry.kind === "handed-over").at(-1);
  return last && { at: last.at, by: last.by, to: last.to, nextService: monthsAfter(last.at, months) };
}

function settingRows(plan: JobPlan): SettingRow[] {
  const rows = plan.controls.controls.map((control): SettingRow => {
    return {
      id: control.id,
      label: control.label,
      found: control.found.join(", "),
      planned: control.planned.join(", "),
      left: control.parts.map((part) => plan.now.positions[control.kind][part]).join(", "),
    };
  });
  const differs = (row: SettingRow) => Number(row.found !== row.left || row.left !== row.planned);
  return rows.sort((a, b) => differs(b) - differs(a));
}

/** Makes the record from a plan and its log; it is read from them anew each time and stored nowhere. */
export function makeRecord(plan: JobPlan): SiteRecord {
  const { bundle, now } = plan;
  const said = outcomes(bundle.log);
  const rows = [...said.values()].flatMap((entry): ResultRow[] => {
    const { step, station, title, outcome, at, by, note, reading } = entry;
    return outcome === "withdrawn" ? [] : [{ step, station, title, outcome, at, by, note, reading }];
  });
  const order = new Map(plan.sheet.map((step, at) => [step.id, at]));
  return {
    wiring: plan.wiring.cores.map((core) => {
      const found = seatOf(now.sits, core.from);
      const seat: Seat = found ?? core.to;
      return {
        device: core.deviceName,
        part: core.part,
        pin: core.pinLabel,
        colour: core.colour,
        place: seatText(seat, plan.wiring.devices),
        asPlanned: sameSeat(seat, core.to),
        sizeMm2: core.cable?.sizeMm2,
        lengthM: core.cable?.lengthM,
        landed: seat !== "off" && (found !== undefined || now.landed.includes(core.id)),
      };
    }),
    links: plan.wiring.links.map((link) => ({
      between: link.between.join("–"),
      found: link.found,
      planned: link.planned,
      left: now.links[link.id] ?? link.found,
    })),
    settings: settingRows(plan),
    results: rows
      .filter((row) => order.has(row.step))
      .sort((a, b) => (order.get(a.step) ?? 0) - (order.get(b.step) ?? 0)),
    superseded: rows.filter((row) => !order.has(row.step)),
    open: plan.sheet.filter((step) => said.get(step.id)?.outcome !== "seen"),
    notes: bundle.log.flatMap((entry) => {
      const { at, by } = entry;
      if (entry.kind === "note") return [{ at, by, text: entry.text }];
      if (entry.kind !== "board-taken") return [];
      return [
        {
          at,
          by,
          text: `Board ${entry.to.id}: revision ${entry.from.revision} gave way to ${entry.to.revision}.`,
        },
      ];
    }),
    cautions: [
      ...new Set(plan.sheet.flatMap((step) => (said.get(step.id) && step.caution ? [step.caution] : []))),
    ],
    handedOver: handOver(bundle.log, bundle.job.survey.serviceMonths),
  };
}
