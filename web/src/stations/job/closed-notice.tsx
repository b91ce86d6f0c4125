import { useState } from "react";
import { useJobBench } from "../../data/index.ts";
import { Button, Notice, Row, TextInput } from "../../ui/index.ts";
import { whenText } from "../shared/words.ts";

/** Says that the job was handed over, and opens it again with a reason. */
export function ClosedNotice() {
  const { log, closed, append } = useJobBench();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const [asked, setAsked] = useState(false);
  const last = log.findLast((entry) => entry.kind === "handed-over");
  if (!closed || !last) return null;

  async function reopen() {
    setAsked(true);
    if (!reason.trim()) return;
    try {
      await append({ kind: "reopened", reason: reason.trim() });
      setReason("");
      setAsking(false);
      setAsked(false);
    } catch {
      // The save mark says why; the reason stays in its field.
    }
  }

  return (
    <Notice tone="note" title="Handed over">
      To {last.to}, {whenText(last.at)}. Nothing of it can be changed until it is opened again.
      {asking ? (
        <Row style={{ alignItems: "end", marginTop: 8 }}>
          <div style={{ flex: "1 1 260px" }}>
            <TextInput
              label="Why it is opened again"
              hint="kept in the log and the record"
              value={reason}
              onChange={setReason}
              error={asked && !reason.trim() ? "Write the reason first." : undefined}
              autoFocus
            />
          </div>
          <Button $kind="filled" onPress={() => void reopen()}>
            Open it again
          </Button>
        </Row>
      ) : (
        <Button $kind="quiet" style={{ padding: "0 8px" }} onPress={() => setAsking(true)}>
          Open it again…
        </Button>
      )}
    </Notice>
  );
}
