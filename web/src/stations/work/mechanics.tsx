import { mechanics, mechanicTexts, type Mechanic } from "@anvilcloud/core";
import { useState } from "react";
import { useJobBench } from "../../data/index.ts";
import { Button, Choice, Heading, Panel, Quiet, Row, TextInput } from "../../ui/index.ts";
import { whenText } from "../shared/words.ts";

/** Changes at the leaf and its drive: what was learned and measured with them as they were is open again. */
export function Mechanics() {
  const { log, append, closed } = useJobBench();
  const [what, setWhat] = useState<Mechanic>();
  const [note, setNote] = useState("");
  const done = log.flatMap((entry) => (entry.kind === "mechanical" ? [entry] : []));
  async function keep() {
    if (!what) return;
    await append({ kind: "mechanical", what, ...(note.trim() ? { note: note.trim() } : {}) });
    setWhat(undefined);
    setNote("");
  }
  return (
    <Panel aria-label="Changed at the leaf">
      <Heading>Changed at the leaf</Heading>
      <Quiet>Learning and force were made with it as it was: they open again.</Quiet>
      {!closed && (
        <Row style={{ alignItems: "end", marginTop: 8 }}>
          <div style={{ flex: "1 1 240px" }}>
            <Choice
              label="What was changed"
              value={what}
              onChange={setWhat}
              options={mechanics.map((id) => ({ id, text: mechanicTexts[id] }))}
            />
          </div>
          <div style={{ flex: "1 1 240px" }}>
            <TextInput label="How" value={note} onChange={setNote} />
          </div>
          <Button $kind="outlined" isDisabled={!what} onPress={() => void keep().catch(() => {})}>
            Note it
          </Button>
        </Row>
      )}
      <ul>
        {done.map((entry) => (
          <li key={entry.id}>
            <Quiet>
              {mechanicTexts[entry.what]}
              {entry.note ? `: ${entry.note}` : ""}, {whenText(entry.at)}
            </Quiet>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
