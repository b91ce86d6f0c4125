import { wordsOf } from "@anvilcloud/core";
import { Link } from "react-router";
import { useJobBench } from "../../data/index.ts";
import { useAnswer } from "../../planner/index.ts";
import { Notice } from "../../ui/index.ts";
import { findingTitles } from "../shared/findings.tsx";

/** So long before it happens someone begins to look, s. */
const before = 2;

/** What a run of the job as planned shows, each with the way to the moment at which it is to be seen. */
export function RunFindings() {
  const { plan, job } = useJobBench();
  const trial = useAnswer([plan], (planner) => planner.trial());
  if (!trial?.findings.length) return null;
  return (
    <ul aria-label="What a run of this job shows">
      {trial.findings.map(({ at, finding }) => {
        const { what, why, remedy } = wordsOf(finding);
        return (
          <li key={finding.code}>
            <Notice tone={finding.severity} title={findingTitles[finding.severity]}>
              <strong>{what}</strong> {why} <b>{remedy}</b>{" "}
              <Link to={`/jobs/${job.id}/live?at=${Math.max(0, at - before).toFixed(1)}`}>
                Look at it, {Math.round(at)} s after it begins
              </Link>
            </Notice>
          </li>
        );
      })}
    </ul>
  );
}
