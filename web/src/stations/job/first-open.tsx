import { Navigate, useNavigation } from "react-router";
import { useJobBench } from "../../data/index.ts";

/** Leads to the first station that is not settled, unless the user is already on the way to another page. */
export function Component() {
  const { job, plan } = useJobBench();
  const { state } = useNavigation();
  const open = plan.statuses.find((status) => status.state !== "settled") ?? plan.statuses.at(-1);
  if (state !== "idle") return null;
  return <Navigate replace to={`/jobs/${job.id}/${open?.station ?? "survey"}`} />;
}
