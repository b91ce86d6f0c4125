import type { JobSummary, Shelf } from "@anvilcloud/core";
import { useNavigate } from "react-router";
import { mutate } from "swr";
import { copyJob, overviewKey, placeJob, removeJob } from "../../data/index.ts";
import { did } from "../../ui/index.ts";

const lists = new Set<() => Promise<unknown>>();

/** Has a list of jobs fetched anew with the others; what comes back ends that. */
export function refreshWith(list: () => Promise<unknown>): () => void {
  lists.add(list);
  return () => void lists.delete(list);
}

/** Fetches the lists of jobs anew, wherever they are shown. */
export async function refreshJobs(): Promise<void> {
  await Promise.all([mutate(overviewKey), ...[...lists].map((list) => list())]);
}

const said: Record<Shelf, (title: string) => string> = {
  jobs: (title) => `${title} is among the jobs again.`,
  templates: (title) => `${title} is a template now.`,
  archive: (title) => `${title} is put away.`,
  bin: (title) => `${title} is deleted.`,
};

/** What can be done with a job of the list; what was done can be taken back. What fails is told to `onError`. */
export function useJobActs(onError: (message: string | undefined) => void) {
  const navigate = useNavigate();
  const attempt = (act: () => Promise<unknown>) => {
    onError(undefined);
    act().catch((error: unknown) => onError((error as Error).message));
  };
  const place = async (job: JobSummary, shelf: Shelf) => {
    await placeJob(job.id, { shelf });
    await refreshJobs();
  };
  return {
    put: (job: JobSummary, shelf: Shelf) =>
      attempt(async () => {
        await place(job, shelf);
        did(said[shelf](job.title), () => place(job, job.shelf));
      }),
    waitsFor: (job: JobSummary, waitsFor: string) =>
      attempt(async () => {
        const note = async (text: string) => {
          await placeJob(job.id, { waitsFor: text });
          await refreshJobs();
        };
        await note(waitsFor);
        did(waitsFor ? `${job.title} waits for ${waitsFor}.` : `${job.title} waits for nothing more.`, () =>
          note(job.waitsFor),
        );
      }),
    copy: (job: JobSummary, title: string, customer?: string) =>
      attempt(async () => {
        const made = await copyJob(job.id, { title, ...(customer === undefined ? {} : { customer }) });
        await refreshJobs();
        void navigate(`/jobs/${made.job.id}/survey`);
        did(`${title} was begun like ${job.title}.`, async () => {
          await removeJob(made.job.id, made.version);
          await refreshJobs();
          void navigate("/");
        });
      }),
    removeForGood: (job: JobSummary) =>
      attempt(async () => {
        await removeJob(job.id, job.version);
        await refreshJobs();
      }),
  };
}

export type JobActs = ReturnType<typeof useJobActs>;
