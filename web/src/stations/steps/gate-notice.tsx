import type { Gate } from "@anvilcloud/core";
import { useState } from "react";
import { Link } from "react-router";
import { useJobBench } from "../../data/index.ts";
import { Button, Notice, Row, TextInput } from "../../ui/index.ts";
import { stepAddress } from "../shared/words.ts";
import type { Steps } from "./use-steps.ts";

interface Props {
  gates: readonly Gate[];
  steps: Steps;
}

/** What stands before this step, and the way past it: a written reason, which stays in the log and the record. */
export function GateNotice({ gates, steps }: Props) {
  const { job, append } = useJobBench();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const [asked, setAsked] = useState(false);

  async function pass() {
    setAsked(true);
    if (!reason.trim()) return;
    try {
      await append({
        kind: "gate-passed",
        gates: gates.map(({ id, what }) => ({ id, what })),
        reason: reason.trim(),
      });
    } catch {
      // The save mark says why; the reason stays in its field.
    }
  }

  return (
    <Notice tone="fault" title="This step waits">
      <ul style={{ display: "grid", gap: 4 }}>
        {gates.map(({ id, what, remedy, step }) => {
          const opens = steps.all.find((each) => each.id === step);
          return (
            <li key={id}>
              <b>{what}</b> {remedy}{" "}
              {opens && <Link to={stepAddress(job.id, opens.station, opens.id)}>Go to that step</Link>}
            </li>
          );
        })}
      </ul>
      {asking ? (
        <Row style={{ alignItems: "end", marginTop: 8 }}>
          <div style={{ flex: "1 1 260px" }}>
            <TextInput
              label="Why you go on all the same"
              hint="kept in the log and the record, with your name"
              value={reason}
              onChange={setReason}
              error={asked && !reason.trim() ? "Write the reason first." : undefined}
              autoFocus
            />
          </div>
          <Button $kind="danger" onPress={() => void pass()}>
            Go on with this reason
          </Button>
        </Row>
      ) : (
        <Button $kind="quiet" style={{ paddingLeft: 0 }} onPress={() => setAsking(true)}>
          Go on all the same…
        </Button>
      )}
    </Notice>
  );
}
