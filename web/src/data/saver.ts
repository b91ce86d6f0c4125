import { applyEdit, type Job, type JobEdit, type StoredJob } from "@anvilcloud/core";
import { ApiError, mayPass } from "./api.ts";

/** How the last change stands. */
export type SaveState =
  | { kind: "saved"; at?: number }
  | { kind: "saving" }
  | { kind: "unsent"; message: string }
  | { kind: "refused"; message: string }
  | { kind: "conflict"; current: StoredJob; yours: Job };

interface Parts {
  /** Puts a job on screen. */
  publish: (stored: StoredJob) => void;
  put: (job: Job, version: number) => Promise<StoredJob>;
  report: (state: SaveState) => void;
  now: () => number;
}

/**
 * Saves a job's changes one after the other: each is shown at once, sent when the one before is answered, and several
 * made meanwhile go as one. Without an answer that stands the change stays on screen and goes with the next one, or by `retry`. A
 * refusal rolls back to what the server last confirmed. A job changed elsewhere is a conflict, and nothing more is sent
 * until it is settled.
 */
export function createSaver(initial: StoredJob, { publish, put, report, now }: Parts) {
  let shown = initial;
  let confirmed = initial;
  let wanted = false;
  let running = false;
  let unsent = false;
  let conflict: StoredJob | undefined;

  function show(next: StoredJob): void {
    shown = next;
    publish(next);
  }

  async function run(): Promise<void> {
    running = true;
    while (wanted && !conflict) {
      wanted = false;
      unsent = false;
      report({ kind: "saving" });
      const { job, version } = shown;
      try {
        const stored = await put(job, version);
        confirmed = stored;
        show(wanted ? { ...stored, job: shown.job } : stored);
        report({ kind: "saved", at: now() });
      } catch (error) {
        const { status, body } = error instanceof ApiError ? error : new ApiError(0, String(error));
        if (status === 412) {
          conflict = (body as { current: StoredJob }).current;
          report({ kind: "conflict", current: conflict, yours: shown.job });
        } else if (mayPass(status)) {
          wanted = false;
          unsent = true;
          report({ kind: "unsent", message: (error as Error).message });
        } else {
          wanted = false;
          show(confirmed);
          report({ kind: "refused", message: (error as Error).message });
        }
      }
    }
    running = false;
  }

  return {
    /** Takes what was fetched anew, and tells whether that is another version; while something is being saved, what is on screen stands. */
    refresh(stored: StoredJob): boolean {
      if (running || wanted || unsent || conflict) return false;
      const other = stored.version !== shown.version;
      shown = stored;
      confirmed = stored;
      return other;
    },
    /** Changes the job: shown now, saved as soon as it can be. */
    change(edit: JobEdit): void {
      show({ ...shown, job: applyEdit(shown.job, edit) });
      wanted = true;
      if (!running && !conflict) void run();
    },
    /** Sends again what got no answer. */
    retry(): void {
      if (!unsent || running) return;
      wanted = true;
      void run();
    },
    /** Settles a conflict: the other's version stands, or this one's is put over it. */
    settle(keep: "theirs" | "mine"): void {
      if (!conflict) return;
      const theirs = conflict;
      const mine = shown.job;
      conflict = undefined;
      confirmed = theirs;
      if (keep === "theirs") {
        wanted = false;
        show(theirs);
        report({ kind: "saved", at: now() });
        return;
      }
      show({ ...theirs, job: mine });
      wanted = true;
      if (!running) void run();
    },
  };
}
