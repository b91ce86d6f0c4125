import { useEffect } from "react";
import { useNavigate, useNavigation } from "react-router";
import { useJobBench, useOnTheWay } from "../../data/index.ts";

/** Leads to the first station that is not settled, unless the user is already on the way to another page. */
export function Component() {
  const { job, plan } = useJobBench();
  const navigate = useNavigate();
  const { state } = useNavigation();
  const onTheWay = useOnTheWay();
  const open = plan.statuses.find((status) => status.state !== "settled") ?? plan.statuses.at(-1);
  const address = `/jobs/${job.id}/${open?.station ?? "survey"}`;
  useEffect(() => {
    if (!onTheWay()) void navigate(address, { replace: true });
  }, [address, navigate, onTheWay, state]);
  return null;
}
