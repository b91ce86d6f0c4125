import {
  jobFormat,
  type DeviceProfile,
  type LogEntry,
  type PlanStage,
  type ShownPlan,
  type StoredJob,
} from "@anvilcloud/core";
import { startTransition, useEffect, useState } from "react";
import { createPlanQueue, usePlanner } from "../planner/index.ts";

/** A plan with what it was made for: the version of the job, and how long its log was. */
interface MadePlan {
  plan: ShownPlan;
  madeFor: { version: number; log: number };
}

interface Wanted {
  stored: StoredJob;
  devices: DeviceProfile[];
  log: LogEntry[];
}

/** How far the first plan of a job is, or why there is none. */
export interface Planning {
  made?: MadePlan;
  /** What is being worked out just now; undefined when the plan is that of the job and log at hand. */
  stage?: PlanStage;
  error?: Error;
}

/** The plan of a job, worked out in the worker; the one before stands until the next one is made. */
export function usePlan({ stored, devices, log }: Wanted): Planning {
  const planner = usePlanner();
  const [planning, setPlanning] = useState<Planning>({ stage: "wiring" });
  const [queue] = useState(() =>
    createPlanQueue<Wanted, ShownPlan>({
      work: async ({ stored: { job, board }, ...wanted }) => {
        let done = false;
        // Progress comes by a way of its own, and may come after the plan itself.
        const tell = (stage: PlanStage) => !done && setPlanning((now) => ({ ...now, stage }));
        try {
          return await planner.plan({ format: jobFormat, job, board, ...wanted }, tell);
        } finally {
          done = true;
        }
      },
      // In a transition: a large job is drawn in slices between which the page answers.
      publish: (plan, { stored, log }) =>
        startTransition(() =>
          setPlanning({ made: { plan, madeFor: { version: stored.version, log: log.length } } }),
        ),
      fail: (error) => setPlanning((now) => ({ made: now.made, error })),
    }),
  );

  useEffect(() => {
    queue.want({ stored, devices, log });
    return () => queue.forget();
  }, [queue, stored, devices, log]);

  return planning;
}
