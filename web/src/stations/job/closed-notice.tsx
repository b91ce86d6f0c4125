import { useJobBench } from "../../data/index.ts";
import { Notice } from "../../ui/index.ts";
import { ReasonForm } from "../shared/reason-form.tsx";
import { whenText } from "../shared/words.ts";

/** Says that the job was handed over, and opens it again with a reason. */
export function ClosedNotice() {
  const { log, closed, append } = useJobBench();
  const last = log.findLast((entry) => entry.kind === "handed-over");
  if (!closed || !last) return null;
  return (
    <Notice tone="note" title="Handed over">
      To {last.to}, {whenText(last.at)}. Nothing of it can be changed until it is opened again.{" "}
      <ReasonForm
        opens="Open it again…"
        label="Why it is opened again"
        hint="kept in the log and the record"
        gives="Open it again"
        kind="filled"
        give={(reason) => append({ kind: "reopened", reason })}
      />
    </Notice>
  );
}
