import { leafName, makeRecord, movingThing, quantityText, sentence, type SiteRecord } from "@anvilcloud/core";
import { Printer } from "lucide-react";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, narrow, print, space } from "../../theme/index.ts";
import { Button, Heading, Quiet, Row, Title, useUnits } from "../../ui/index.ts";
import { JobFileLink } from "../shared/job-file-link.tsx";
import { whenText, dayText } from "../shared/words.ts";
import { Signing } from "./signing.tsx";
import { Results, Stands, Wires } from "./tables.tsx";

const Sheet = styled.article`
  --table-ground: ${color.surface};
  max-width: 900px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${space.l};
  padding: ${space.xl};
  background: ${color.surface};
  border: 1px solid ${color.line};
  section {
    break-inside: auto;
  }
  tr {
    break-inside: avoid;
  }
  h2 {
    break-after: avoid;
  }
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: ${space.xs} ${space.l};
  }
  dt {
    color: ${color.quiet};
  }
  ${narrow} {
    padding: ${space.m};
  }
  ${print} {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;

const Tools = styled(Row)`
  margin-bottom: ${space.m};
  ${print} {
    display: none;
  }
`;

/** Findings against the installation: as they stood at the hand-over, or as they stand now where it is not handed over. */
function StillStands({ standing, handedOver }: Pick<SiteRecord, "standing" | "handedOver">) {
  const findings = handedOver?.open?.findings ?? standing;
  if (!findings.length) return null;
  return (
    <section>
      <Heading>{handedOver ? "Findings open at the hand-over" : "Findings that stand"}</Heading>
      <ul style={{ listStyle: "disc", paddingLeft: 20 }}>
        {findings.map(({ severity, what }) => (
          <li key={what}>
            {severity === "danger" ? <b>Danger. {what}</b> : `${sentence(severity)}. ${what}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The printable record: site, board, wiring, settings, results, what is open. */
export function Component() {
  const { job, plan } = useJobBench();
  const record = makeRecord(plan);
  const units = useUnits();
  const { board } = plan.bundle;
  return (
    <>
      <Tools>
        <Button $kind="filled" onPress={() => window.print()}>
          <Printer size={20} aria-hidden /> Print
        </Button>
        <JobFileLink job={job.id} />
      </Tools>
      <Sheet aria-label="Record">
        <header>
          <Quiet>Commissioning record</Quiet>
          <Title>{job.title}</Title>
        </header>
        <dl>
          <dt>Site</dt>
          <dd>{[job.site.customer, job.site.address, job.site.town].filter(Boolean).join(", ")}</dd>
          <dt>Board</dt>
          <dd>
            {board.maker} {board.name}, profile revision {board.revision}
            {job.found.firmware ? `, firmware ${job.found.firmware}` : ", firmware not noted"}
          </dd>
          <dt>{sentence(movingThing(board))}</dt>
          <dd>
            {job.survey.leaves
              .map(
                (leaf) =>
                  `${sentence(leafName(board, leaf.id))} ${quantityText(leaf.widthMm, "mm", units)} × ${quantityText(leaf.heightMm, "mm", units)}, ${quantityText(leaf.massKg, "kg", units)}, ${leaf.infill}`,
              )
              .join("; ")}
          </dd>
          <dt>Breaker</dt>
          <dd>{job.survey.breaker || "not noted"}</dd>
          <dt>Installer</dt>
          <dd>{job.installer || "not noted"}</dd>
          <dt>Handed over</dt>
          <dd>
            {record.handedOver
              ? `${whenText(record.handedOver.at)} to ${record.handedOver.to}; next service ${dayText(record.handedOver.nextService)}`
              : "not yet"}
          </dd>
        </dl>
        {record.passed.length > 0 && (
          <section>
            <Heading>Gone past without what should have come first</Heading>
            <ul style={{ listStyle: "disc", paddingLeft: 20 }}>
              {record.passed.map(({ at, by, reason, gates }) => (
                <li key={at}>
                  {gates.join(" ")} <b>Reason: {reason}</b> ({whenText(at)}
                  {by && `, ${by}`})
                </li>
              ))}
            </ul>
          </section>
        )}
        <StillStands standing={record.standing} handedOver={record.handedOver} />
        {record.open.length > 0 && (
          <section>
            <Heading>Still open: {record.open.length} steps</Heading>
            <p>{record.open.map((step) => step.title).join("; ")}.</p>
          </section>
        )}
        <section>
          <Heading>Settings</Heading>
          <Stands record={record} />
        </section>
        <section>
          <Heading>Wiring</Heading>
          <Wires record={record} />
        </section>
        <section>
          <Heading>Results</Heading>
          {record.results.length ? (
            <Results rows={record.results} label="Results" />
          ) : (
            <Quiet>Nothing answered yet.</Quiet>
          )}
        </section>
        {record.superseded.length > 0 && (
          <section>
            <Heading>Done for an earlier plan</Heading>
            <Results rows={record.superseded} label="Done for an earlier plan" />
          </section>
        )}
        {record.cautions.length > 0 && (
          <section>
            <Heading>Cautions given</Heading>
            <ul style={{ listStyle: "disc", paddingLeft: 20 }}>
              {record.cautions.map((caution) => (
                <li key={caution}>{caution}</li>
              ))}
            </ul>
          </section>
        )}
        <Signing installer={record.handedOver?.by ?? job.installer} customer={record.handedOver?.to ?? ""} />
        <Quiet>Anvilcloud advises; it does not certify. Local codes and licensed trades decide.</Quiet>
      </Sheet>
    </>
  );
}
