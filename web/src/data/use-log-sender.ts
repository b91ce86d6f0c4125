import type { LogEntry, StepEntry } from "@anvilcloud/core";
import { useState } from "react";
import { useSWRConfig } from "swr";
import { ApiError, logKey, postEntry } from "./api.ts";
import type { SaveState } from "./saver.ts";

/** Someone else has answered the same step since its card was drawn. */
class AnsweredElsewhere extends Error {
  readonly theirs: StepEntry;
  constructor(message: string, theirs: StepEntry) {
    super(message);
    this.name = "AnsweredElsewhere";
    this.theirs = theirs;
  }
}

function refusalOf(error: unknown): Error {
  if (error instanceof ApiError && error.status === 409) {
    const { theirs } = (error.body ?? {}) as { theirs?: StepEntry };
    if (theirs) return new AnsweredElsewhere(error.message, theirs);
  }
  return error as Error;
}

/** An answer that was given and is not stored, with what the server said, and the other's answer where it met one. */
export interface Unstored {
  entry: StepEntry;
  message: string;
  theirs?: StepEntry;
}

/** The answer as it is given once more, in full knowledge of the other's where it met one. */
export function answeredAgain({ entry, theirs }: Unstored): StepEntry {
  if (!theirs || !entry.drawnFrom) return entry;
  return { ...entry, drawnFrom: { ...entry.drawnFrom, knows: theirs.id } };
}

/**
 * Sends entries of a job's log: each is shown at once and taken off again when it is refused; several may be under way
 * together. `send` throws what the server says against an entry; `answer` returns at once, and keeps an answer that could
 * not be stored among the `unstored`, with all that it carries.
 */
export function useLogSender(id: string, report: (state: SaveState) => void) {
  const { mutate } = useSWRConfig();
  const [unstored, setUnstored] = useState<readonly Unstored[]>([]);
  const show = (edit: (log: LogEntry[]) => LogEntry[]) =>
    mutate<{ log: LogEntry[] }>(logKey(id), (now) => ({ log: edit(now?.log ?? []) }), { revalidate: false });

  async function send(entry: LogEntry): Promise<void> {
    report({ kind: "saving" });
    void show((log) => [...log, entry]);
    try {
      await postEntry(id, entry);
      // Added once more, should the log have been fetched anew before the entry was in it.
      void show((log) => (log.some((each) => each.id === entry.id) ? log : [...log, entry]));
      report({ kind: "saved", at: Date.now() });
    } catch (error) {
      const refusal = refusalOf(error);
      const without = (log: LogEntry[]) => log.filter((each) => each.id !== entry.id);
      if (refusal instanceof AnsweredElsewhere) void show((log) => [...without(log), refusal.theirs]);
      else void show(without);
      report({ kind: "refused", message: refusal.message });
      throw refusal;
    }
  }

  const drop = (entry: string) => setUnstored((now) => now.filter((each) => each.entry.id !== entry));

  function answer(entry: StepEntry): void {
    drop(entry.id);
    send(entry).catch((error: Error) => {
      const theirs = error instanceof AnsweredElsewhere ? { theirs: error.theirs } : {};
      setUnstored((now) => [...now, { entry, message: error.message, ...theirs }]);
    });
  }

  return { send, answer, unstored, drop };
}
