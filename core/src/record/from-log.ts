import { UTCDate } from "@date-fns/utc";
import { addMonths } from "date-fns";
import { controlName, entryName, handlesOf, menuValues, type BoardProfile } from "../board/index.ts";
import type { LogEntry, SettingsEntry, StepEntry } from "../job/index.ts";
import { listed } from "../quantity/index.ts";
import { mechanicTexts, type Answers } from "../runsheet/index.ts";

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

/** Where controls and links were found on a later visit, or were left, in a sentence. */
function settingsText(board: BoardProfile, entry: SettingsEntry): string {
  const named = (id: string) => {
    const dial = board.dials.find((each) => each.id === id);
    const entry = menuValues(board).find(({ item }) => item.id === id);
    return dial ? controlName(dial) : entry ? entryName(entry.item) : handlesOf(board)(id);
  };
  const parts = (["links", "switches", "dials", "values"] as const).flatMap((kind) =>
    Object.entries(entry[kind] ?? {}).map(([id, to]) => {
      const link = board.links.find((each) => kind === "links" && each.id === id);
      return `${link ? `link ${link.between.join("–")}` : named(id)} at ${to}`;
    }),
  );
  const what = parts.length ? listed(parts) : "everything as it was left before";
  return `${entry.as === "found" ? "Found" : "Left"}: ${what}.`;
}

/** What an entry says in a sentence of its own; undefined for what has a row elsewhere. */
function sentenceOf(board: BoardProfile, entry: LogEntry): string | undefined {
  switch (entry.kind) {
    case "note":
      return entry.text;
    case "reopened":
      return `Opened again after the hand-over: ${entry.reason}`;
    case "board-taken":
      return `Board ${entry.to.id}: revision ${entry.from.revision} gave way to ${entry.to.revision}.`;
    case "begun": {
      const procedure = board.procedures.find(({ id }) => id === entry.procedure);
      return `Begun: ${procedure?.title ?? entry.procedure}. Reason: ${entry.reason}`;
    }
    case "mechanical":
      return `${mechanicTexts[entry.what]}${entry.note ? `: ${entry.note}` : "."}`;
    case "settings":
      return settingsText(board, entry);
    default:
      return undefined;
  }
}

/** Notes, and what was done to the job itself: what was begun, changed at the leaf, found and left. */
export const noteRows = (board: BoardProfile, log: readonly LogEntry[]): NoteRow[] =>
  log.flatMap((entry): NoteRow[] => {
    const text = sentenceOf(board, entry);
    return text === undefined ? [] : [{ at: entry.at, by: entry.by, text }];
  });

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
