import { Link } from "react-router";
import { useJobBench, type Unstored } from "../../data/index.ts";
import { Button, Notice, Row } from "../../ui/index.ts";
import { answerText } from "../shared/answer-text.ts";
import { stepAddress, whenText } from "../shared/words.ts";

function UnstoredAnswer({ unstored }: { unstored: Unstored }) {
  const { job, answerAgain, dropAnswer } = useJobBench();
  const { entry, theirs, message } = unstored;
  return (
    <Notice
      tone="caution"
      title={theirs ? "Answered elsewhere meanwhile" : "An answer of yours is not stored"}
    >
      <p>
        <Link to={stepAddress(job.id, entry.station, entry.step)}>{entry.title}</Link>: you said{" "}
        <b>{answerText(entry)}</b>.{" "}
        {theirs ? (
          <>
            {theirs.by || "Someone"} said <b>{answerText(theirs)}</b>, {whenText(theirs.at)}.
          </>
        ) : (
          message
        )}
      </p>
      <Row>
        <Button $kind="outlined" onPress={() => dropAnswer(entry.id)}>
          {theirs ? "Leave theirs" : "Give it up"}
        </Button>
        <Button $kind="filled" onPress={() => answerAgain(unstored)}>
          {theirs ? "Add mine after it" : "Send it again"}
        </Button>
      </Row>
    </Notice>
  );
}

/** Answers that are not stored, wherever one has gone since: nothing that was said or typed is lost. */
export function UnstoredAnswers() {
  const { unstored } = useJobBench();
  return unstored.map((each) => <UnstoredAnswer key={each.entry.id} unstored={each} />);
}
