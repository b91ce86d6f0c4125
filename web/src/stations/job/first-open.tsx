import { Navigate } from "react-router";
import { useJobBench } from "../../data/index.ts";

/** Leads to the first station that is not settled. */
export function Component() {
  const { job, plan } = useJobBench();
  const open = plan.statuses.find((status) => status.state !== "settled") ?? plan.statuses.at(-1);
  return <Navigate replace to={`/jobs/${job.id}/${open?.station ?? "survey"}`} />;
}
