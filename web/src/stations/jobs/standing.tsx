import { count, type JobStanding, type JobSummary } from "@anvilcloud/core";
import { formatISO } from "date-fns";
import { dayText } from "../shared/words.ts";

/** How a job stands, as its filter names it. */
export const standingNames: Record<JobStanding, string> = {
  "not-begun": "Not begun",
  "under-way": "Under way",
  waiting: "Waiting",
  "opened-again": "Opened again",
  "handed-over": "Handed over",
};

const today = () => formatISO(new Date(), { representation: "date" });

/** True where a job's service is due. */
const isDue = ({ nextService }: Pick<JobSummary, "nextService">): boolean =>
  nextService !== null && nextService <= today();

/** How a job stands, in a few words; what calls for someone in bold. */
export function Standing({ job }: { job: JobSummary }) {
  switch (job.standing) {
    case "waiting":
      return (
        <span>
          <b>Waits</b>
          {job.waitsFor
            ? ` for ${job.waitsFor}`
            : `: ${count(job.unseen, "step")} not seen as ${job.unseen === 1 ? "it" : "they"} should be`}
        </span>
      );
    case "opened-again":
      return (
        <span>
          <b>Opened again</b>: {job.reopened}
        </span>
      );
    case "handed-over":
      return <span>Handed over {job.handedOverAt && dayText(job.handedOverAt)}</span>;
    case "under-way":
      return <span>Under way, {count(job.answered, "step")} done</span>;
    case "not-begun":
      return <span>Not begun</span>;
  }
}

/** The day its next service is due; in bold once it is. */
export function Service({ job }: { job: JobSummary }) {
  if (!job.nextService) return null;
  return isDue(job) ? <b>due since {dayText(job.nextService)}</b> : <span>{dayText(job.nextService)}</span>;
}
