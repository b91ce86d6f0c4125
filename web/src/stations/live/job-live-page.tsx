import type { Trial } from "@anvilcloud/core";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { LiveBench } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { useAnswer, type LiveGiven } from "../../planner/index.ts";
import { Hidden, Loading } from "../../ui/index.ts";

/** The second of the job's trial that an address asks for; undefined where it asks for none. */
function useMoment(): number | undefined {
  const [search] = useSearchParams();
  const at = Number(search.get("at") ?? Number.NaN);
  return Number.isFinite(at) && at >= 0 && at < 3_600 ? at : undefined;
}

function Running({ at, trial }: { at?: number; trial?: Trial }) {
  const { plan } = useJobBench();
  // It goes on as it began, whatever is changed of the job meanwhile; beginning again takes the job as it is then.
  const [given] = useState<LiveGiven>(() => ({ kind: "job", bundle: plan.bundle }));
  const [past] = useState(() =>
    at !== undefined && trial ? { script: trial.run.script, seconds: at } : undefined,
  );
  return <LiveBench given={given} from="done" past={past} />;
}

/** Waits for the trial whose moment is asked for. */
function AtMoment({ at }: { at: number }) {
  const { plan } = useJobBench();
  const told = useAnswer([plan], async (planner) => ({ trial: await planner.trial() }));
  return told ? <Running at={at} trial={told.trial} /> : <Loading what="the run" />;
}

/** The job as planned, running. What is done here is not written to its log. */
export function Component() {
  const at = useMoment();
  return (
    <>
      <Hidden as="h1">The job, running</Hidden>
      {at === undefined ? <Running /> : <AtMoment key={at} at={at} />}
    </>
  );
}
