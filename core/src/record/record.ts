import { controlName, entryName, menuValues } from "../board/index.ts";
import { severityRank, wordsOf } from "../finding/index.ts";
import type { OpenFinding } from "../job/index.ts";
import { sameSeat, type Seat } from "../node/index.ts";
import type { JobPlan } from "../plan/index.ts";
import { answersOf, type Step } from "../runsheet/index.ts";
import { outcomes } from "../state/index.ts";
import { seatOf, seatText, type Core } from "../wiring/index.ts";
import {
  handOverRow,
  noteRows,
  passRows,
  resultRows,
  type HandOverRow,
  type NoteRow,
  type PassRow,
  type ResultRow,
} from "./from-log.ts";

/** One control in three columns. */
export interface SettingRow {
  id: string;
  /** What it is called: by its print on the board, or as its menu shows it. */
  name: string;
  found: string;
  planned: string;
  left: string;
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
  /** Every answer to the steps of the plan, in their order, failed attempts too. */
  results: ResultRow[];
  /** Answers to steps that a later change of the plan did away with. */
  superseded: ResultRow[];
  /** Steps without an answer. */
  open: Step[];
  notes: NoteRow[];
  /** What should have come first and was passed over, with the reason. */
  passed: PassRow[];
  /** Findings that stand now, above a note. */
  standing: OpenFinding[];
  cautions: string[];
  handedOver?: HandOverRow;
}

function settingRows(plan: JobPlan): SettingRow[] {
  const entries = menuValues(plan.bundle.board);
  const rows = plan.controls.controls.map((control): SettingRow => {
    const entry = entries.find(({ item }) => control.kind === "values" && item.id === control.id);
    return {
      id: control.id,
      name: entry ? entryName(entry.item) : controlName(control),
      found: control.found.join(", "),
      planned: control.planned.join(", "),
      left: control.parts.map((part) => plan.now.positions[control.kind][part]).join(", "),
    };
  });
  const differs = (row: SettingRow) => Number(row.found !== row.left || row.left !== row.planned);
  return rows.sort((a, b) => differs(b) - differs(a));
}

/** What stands against the plan and the bench now, as a hand-over keeps it: notes left out, each told once. */
export function standingFindings({ findings, nowFindings }: JobPlan): OpenFinding[] {
  const told = [...findings, ...nowFindings]
    .filter(({ severity }) => severity !== "note")
    .sort((a, b) => severityRank[a.severity] - severityRank[b.severity])
    .map((each) => ({ severity: each.severity, what: wordsOf(each).what }));
  return [...new Map(told.map((each) => [each.what, each])).values()];
}

/** Makes the record from a plan and its log; it is read from them anew each time and stored nowhere. */
export function makeRecord(plan: JobPlan): SiteRecord {
  const { bundle, now } = plan;
  const answers = answersOf(plan);
  const rows = resultRows(bundle.log, answers);
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
    open: plan.sheet.filter((step) => answers.holds.get(step.id)?.outcome !== "seen"),
    notes: noteRows(bundle.board, bundle.log),
    passed: passRows(bundle.log),
    standing: standingFindings(plan),
    cautions: [
      ...new Set(
        plan.sheet.flatMap((step) =>
          outcomes(bundle.log).get(step.id) && step.caution ? [step.caution] : [],
        ),
      ),
    ],
    handedOver: handOverRow(bundle.log, bundle.job.survey.serviceMonths),
  };
}
