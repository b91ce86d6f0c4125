import { UTCDate } from "@date-fns/utc";
import { addMonths } from "date-fns";
import type { LogEntry, StepEntry } from "../job/index.ts";
import type { Answers } from "../runsheet/index.ts";

/** One answer to a step; every attempt has its row. */
export interface ResultRow {
  step: string;
  station: string;
  title: string;
  outcome: StepEntry["outcome"];
  at: string;
  by: string;
  note?: string;
  readings?: StepEntry["readings"];
  /** True for the answer that counts: the last one, unless the step was opened again or a change made it void. */
  stands: boolean;
  /** What has made it void since. */
  voidedBy?: string[];
}

/** Something that was said, passed or taken, in a sentence. */
export interface NoteRow {
  at: string;
  by: string;
  text: string;
}

/** What should have come first and was passed over. */
export interface PassRow {
  at: string;
  by: string;
  reason: string;
  /** What stood open, a sentence each. */
  gates: string[];
}

/** The hand-over that counts, with what was open and what stood against the installation at that moment. */
export interface HandOverRow {
  at: string;
  by: string;
  to: string;
  nextService: string;
  open: Extract<LogEntry, { kind: "handed-over" }>["open"];
}

/** Every answer in the order it was given. */
export function resultRows(log: readonly LogEntry[], { holds, voided }: Answers): ResultRow[] {
  return log.flatMap((entry): ResultRow[] => {
    if (entry.kind !== "step") return [];
    const { id, step, station, title, outcome, at, by, note, readings } = entry;
    const lost = voided.get(step);
    const voidedBy = lost?.entry.id === id ? { voidedBy: lost.reasons } : {};
    const stands = holds.get(step)?.id === id;
    return [{ step, station, title, outcome, at, by, note, readings, stands, ...voidedBy }];
  });
}

/** Notes, and what was done to the job itself. */
export function noteRows(log: readonly LogEntry[]): NoteRow[] {
  return log.flatMap((entry): NoteRow[] => {
    const { at, by } = entry;
    if (entry.kind === "note") return [{ at, by, text: entry.text }];
    if (entry.kind === "reopened")
      return [{ at, by, text: `Opened again after the hand-over: ${entry.reason}` }];
    if (entry.kind !== "board-taken") return [];
    const { from, to } = entry;
    return [{ at, by, text: `Board ${to.id}: revision ${from.revision} gave way to ${to.revision}.` }];
  });
}

/** Gates that were passed, each with its reason. */
export function passRows(log: readonly LogEntry[]): PassRow[] {
  return log.flatMap((entry): PassRow[] => {
    if (entry.kind !== "gate-passed") return [];
    const { at, by, reason, gates } = entry;
    return [{ at, by, reason, gates: gates.map(({ what }) => what) }];
  });
}

/** The day so many months after a moment, as "2027-02-28"; a day the month lacks becomes its last day. UTC. */
export const nextServiceDay = (iso: string, months: number): string =>
  addMonths(new UTCDate(iso), months).toISOString().slice(0, 10);

/** The last hand-over; none counts once the job was opened again. */
export function handOverRow(log: readonly LogEntry[], months: number): HandOverRow | undefined {
  const last = log.findLast((entry) => entry.kind === "handed-over" || entry.kind === "reopened");
  if (last?.kind !== "handed-over") return undefined;
  const { at, by, to, open } = last;
  return { at, by, to, nextService: nextServiceDay(at, months), open };
}
