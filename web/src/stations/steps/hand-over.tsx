import { count, makeRecord } from "@anvilcloud/core";
import { Handshake } from "lucide-react";
import { useState } from "react";
import { useJobBench } from "../../data/index.ts";
import { Button, Heading, Notice, Panel, Quiet, Row, StandingLink, TextInput } from "../../ui/index.ts";
import { JobFileLink } from "../shared/job-file-link.tsx";
import { whenText } from "../shared/words.ts";

/** The record, the job file, and the hand-over itself. */
export function HandOver() {
  const { job, log, plan, closed, append } = useJobBench();
  const [to, setTo] = useState("");
  const [asked, setAsked] = useState(false);
  const last = log.filter((entry) => entry.kind === "handed-over").at(-1);

  const { open, standing } = makeRecord(plan);

  async function handOver() {
    setAsked(true);
    if (!to.trim()) return;
    try {
      await append({
        kind: "handed-over",
        to: to.trim(),
        open: { steps: open.map(({ title }) => title), findings: standing },
      });
      setTo("");
      setAsked(false);
    } catch {
      // The save mark says why; the name stays in its field.
    }
  }

  return (
    <Panel>
      <Heading>Hand over</Heading>
      <div style={{ display: "grid", gap: 16 }}>
        <Row>
          <StandingLink to={`/jobs/${job.id}/record`}>Record, to print</StandingLink>
          <JobFileLink job={job.id} />
        </Row>
        {last && (
          <Quiet>
            Handed over to {last.to}, {whenText(last.at)}.
          </Quiet>
        )}
        {!closed && open.length + standing.length > 0 && (
          <Notice tone="caution" title="Not all is done">
            {[
              open.length && count(open.length, "open step"),
              standing.length && count(standing.length, "finding"),
            ]
              .filter(Boolean)
              .join(" and ")}{" "}
            will stand in the record as open at the hand-over.
          </Notice>
        )}
        {!closed && (
          <Row style={{ alignItems: "end" }}>
            <div style={{ flex: "1 1 220px" }}>
              <TextInput
                label="Taken over by"
                value={to}
                onChange={setTo}
                error={asked && !to.trim() ? "Give the name of who takes it over." : undefined}
              />
            </div>
            <Button $kind="filled" onPress={() => void handOver()}>
              <Handshake size={20} aria-hidden /> Hand over
            </Button>
          </Row>
        )}
      </div>
    </Panel>
  );
}
