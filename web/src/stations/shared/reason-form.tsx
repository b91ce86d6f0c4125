import { useState } from "react";
import { Button, Row, TextInput } from "../../ui/index.ts";

interface Props {
  /** The quiet button that opens the form. */
  opens: string;
  label: string;
  hint: string;
  /** The button that gives the reason. */
  gives: string;
  kind: "filled" | "danger";
  /** Rejects where the reason could not be stored. */
  give: (reason: string) => Promise<void>;
}

/** Asks for a written reason before something is done all the same; what cannot be stored stays in its field. */
export function ReasonForm({ opens, label, hint, gives, kind, give }: Props) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const [asked, setAsked] = useState(false);

  async function press() {
    setAsked(true);
    if (!reason.trim()) return;
    try {
      await give(reason.trim());
      setReason("");
      setAsking(false);
      setAsked(false);
    } catch {
      // The save mark says why.
    }
  }

  if (!asking)
    return (
      <Button $kind="quiet" style={{ padding: "0 8px", marginLeft: -8 }} onPress={() => setAsking(true)}>
        {opens}
      </Button>
    );
  return (
    <Row style={{ alignItems: "end", marginTop: 8 }}>
      <div style={{ flex: "1 1 260px" }}>
        <TextInput
          label={label}
          hint={hint}
          value={reason}
          onChange={setReason}
          error={asked && !reason.trim() ? "Write the reason first." : undefined}
          autoFocus
        />
      </div>
      <Button $kind={kind} onPress={() => void press()}>
        {gives}
      </Button>
    </Row>
  );
}
