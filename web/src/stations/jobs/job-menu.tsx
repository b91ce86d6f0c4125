import type { JobSummary } from "@anvilcloud/core";
import { lazy, Suspense, useState } from "react";
import { Menu } from "../../ui/index.ts";
import type { JobActs } from "./acts.ts";

// Asked by few, and only when they ask.
const Like = lazy(() => import("./asks.tsx").then((ask) => ({ default: ask.Like })));
const WaitsFor = lazy(() => import("./asks.tsx").then((ask) => ({ default: ask.WaitsFor })));

interface Props {
  job: JobSummary;
  acts: JobActs;
}

/** What can be done with a job from its line. */
export function JobMenu({ job, acts }: Props) {
  const [asked, setAsked] = useState<"like" | "waits">();
  const close = () => setAsked(undefined);
  const put = (id: string, text: string, shelf: JobSummary["shelf"]) => ({
    id,
    text,
    act: () => acts.put(job, shelf),
  });
  const like = { id: "like", text: "Begin a job like it", act: () => setAsked("like") };
  const waits = { id: "waits", text: "It waits for …", act: () => setAsked("waits") };
  const back = put("back", "Back among the jobs", "jobs");
  const away = put("away", "Put it away", "archive");
  const bin = put("bin", "Delete it", "bin");
  const all = {
    jobs: [like, waits, put("template", "Make it a template", "templates"), away, bin],
    templates: [like, back, bin],
    archive: [like, back, bin],
    bin: [
      back,
      ...(job.answered === 0 && job.standing === "not-begun"
        ? [{ id: "gone", text: "Remove it for good", act: () => acts.removeForGood(job) }]
        : []),
    ],
  }[job.shelf];
  return (
    <>
      <Menu label={`More for ${job.title}`} acts={all} />
      <Suspense>
        {asked === "like" && <Like job={job} acts={acts} close={close} />}
        {asked === "waits" && <WaitsFor job={job} acts={acts} close={close} />}
      </Suspense>
    </>
  );
}
