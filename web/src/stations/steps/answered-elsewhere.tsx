import type { StepEntry } from "@anvilcloud/core";
import { Button, Notice, Row } from "../../ui/index.ts";
import { whenText } from "../shared/words.ts";

const outcomeText = { seen: "seen", "not-seen": "not seen", withdrawn: "opened again" } as const;

const answerText = ({ outcome, reading, note }: Pick<StepEntry, "outcome" | "reading" | "note">) =>
  [outcomeText[outcome], reading && `${reading.value} ${reading.unit}`, note].filter(Boolean).join(", ");

interface Props {
  theirs: StepEntry;
  mine: Pick<StepEntry, "outcome" | "reading" | "note">;
  keepTheirs: () => void;
  sayMine: () => void;
}

/** Both answers, where someone else has answered the step since its card was drawn; both can stand in the log. */
export function AnsweredElsewhereNotice({ theirs, mine, keepTheirs, sayMine }: Props) {
  return (
    <Notice tone="caution" title="Answered elsewhere meanwhile">
      <p>
        {theirs.by || "Someone"} said <b>{answerText(theirs)}</b>, {whenText(theirs.at)}. You said{" "}
        <b>{answerText(mine)}</b>; it is not stored yet.
      </p>
      <Row>
        <Button $kind="outlined" onPress={keepTheirs}>
          Leave theirs
        </Button>
        <Button $kind="filled" onPress={sayMine}>
          Add mine after it
        </Button>
      </Row>
    </Notice>
  );
}
