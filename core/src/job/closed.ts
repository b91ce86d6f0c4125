import type { LogEntry } from "./schema.ts";

/** Kinds of entry that close a job and open it again; the last of them decides. */
export const closingKinds = ["handed-over", "reopened"] as const;

/** What may still be written to a job that was handed over: what changes nothing of it, and what opens it again. */
export const stillTaken: readonly LogEntry["kind"][] = ["note", "reopened"];

/** The last entry of a log that closed the job or opened it again. */
export const lastClosingOf = (log: readonly Pick<LogEntry, "kind">[]): LogEntry["kind"] | undefined =>
  log.findLast(({ kind }) => (closingKinds as readonly string[]).includes(kind))?.kind;

/** True once a job was handed over, until someone opens it again and says why. */
export const isClosed = (log: readonly Pick<LogEntry, "kind">[]): boolean =>
  lastClosingOf(log) === "handed-over";

/** True where an entry may be added to a log: after the hand-over nothing that would change what was handed over. */
export const mayAppend = (
  log: readonly Pick<LogEntry, "kind">[],
  { kind }: Pick<LogEntry, "kind">,
): boolean => !isClosed(log) || stillTaken.includes(kind);
