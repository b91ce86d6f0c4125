import { Link } from "react-router";
import { useJobBench } from "../../data/index.ts";
import { useAnswer } from "../../planner/index.ts";
import { Findings } from "../shared/findings.tsx";

/** So long before it happens someone begins to look, s. */
const before = 2;

/** What a run of the job as planned shows, each with the way to the moment at which it is to be seen. */
export function RunFindings() {
  const { plan, job } = useJobBench();
  const trial = useAnswer([plan], (planner) => planner.trial());
  if (!trial?.findings.length) return null;
  const moments = new Map(trial.findings.map(({ at, finding }) => [finding, at]));
  return (
    <Findings
      label="What a run of this job shows"
      findings={[...moments.keys()]}
      beyond={(finding) => {
        const at = moments.get(finding) ?? 0;
        return (
          <Link to={`/jobs/${job.id}/live?at=${Math.max(0, at - before).toFixed(1)}`}>
            Look at it, {Math.round(at)} s after it begins
          </Link>
        );
      }}
    />
  );
}
