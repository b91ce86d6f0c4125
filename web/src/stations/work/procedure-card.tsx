import { aftermathOf, listed, type Procedure } from "@anvilcloud/core";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { size, space } from "../../theme/index.ts";
import { Notice, Quiet, StandingLink, SubHeading } from "../../ui/index.ts";
import { ReasonForm } from "../shared/reason-form.tsx";
import { stationNames, stepAddress } from "../shared/words.ts";

const Card = styled.div`
  display: grid;
  gap: ${space.s};
  padding: ${space.s} 0 ${space.m} ${space.m};
  font-size: ${size.small};
  > button {
    justify-self: start;
    text-decoration: underline;
  }
  ol {
    padding-left: ${space.l};
    list-style: decimal;
  }
`;

const known = (source: Procedure["source"]) =>
  `Known from: ${source.from}${source.note ? `. ${source.note}` : ""}`;

/** A procedure before it is begun: what it empties and keeps, what to note first, what has to be done again afterwards. */
export function ProcedureCard({ procedure }: { procedure: Procedure }) {
  const { job, plan, log, append, closed } = useJobBench();
  const navigate = useNavigate();
  const { clears, keeps, note, voids } = aftermathOf(plan, plan.sheet, procedure);
  const begun = log.filter((entry) => entry.kind === "begun" && entry.procedure === procedure.id);
  const first = plan.sheet.find((step) => begun.some(({ id }) => id === step.begun?.entry));
  const cautions = [...new Set(procedure.steps.flatMap(({ caution }) => caution ?? []))];
  async function begin(reason: string) {
    await append({ kind: "begun", procedure: procedure.id, reason });
    void navigate(`/jobs/${job.id}/work`);
  }
  return (
    <Card>
      <SubHeading>{procedure.title}</SubHeading>
      {cautions.map((caution) => (
        <Notice key={caution} tone="caution">
          {caution}
        </Notice>
      ))}
      {clears.length > 0 && <p>Empties: {listed(clears)}.</p>}
      {keeps.length > 0 && <p>Keeps: {listed(keeps)}.</p>}
      {note.length > 0 && (
        <Notice tone="note" title="Write down before">
          {note.join(" ")}
        </Notice>
      )}
      {voids.length > 0 ? (
        <div>
          <p>
            <b>To be done again afterwards, in this order:</b>
          </p>
          <ol>
            {voids.map(({ step, title, station }) => (
              <li key={step}>
                {title} <Quiet as="span">({stationNames[station]})</Quiet>
              </li>
            ))}
          </ol>
        </div>
      ) : (
        <Quiet>Nothing that was done so far is voided by it.</Quiet>
      )}
      <Quiet>{known(procedure.source)}.</Quiet>
      {first && (
        <p>
          Begun{begun.length > 1 ? ` ${begun.length} times` : ""}:{" "}
          <StandingLink to={stepAddress(job.id, first.station, first.id)}>to its steps</StandingLink>
        </p>
      )}
      {!closed && (
        <ReasonForm
          opens={first ? "Begin it once more" : "Begin it"}
          label="Why it is needed"
          hint="Stands in the log and in the record."
          gives="Begin"
          kind="filled"
          give={begin}
        />
      )}
    </Card>
  );
}
