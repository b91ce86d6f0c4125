import { useState } from "react";
import { LiveBench } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import type { LiveGiven } from "../../planner/index.ts";
import { Hidden } from "../../ui/index.ts";

/** The job as planned, running. What is done here is not written to its log. */
export function Component() {
  const { plan } = useJobBench();
  // It goes on as it began, whatever is changed of the job meanwhile; beginning again takes the job as it is then.
  const [given] = useState<LiveGiven>(() => ({ kind: "job", bundle: plan.bundle }));
  return (
    <>
      <Hidden as="h1">The job, running</Hidden>
      <LiveBench given={given} from="done" />
    </>
  );
}
