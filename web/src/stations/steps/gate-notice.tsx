import type { Gate } from "@anvilcloud/core";
import { Link } from "react-router";
import { useJobBench } from "../../data/index.ts";
import { Notice } from "../../ui/index.ts";
import { Editable } from "../shared/editable.tsx";
import { ReasonForm } from "../shared/reason-form.tsx";
import { stepAddress } from "../shared/words.ts";
import type { Steps } from "./use-steps.ts";

interface Props {
  gates: readonly Gate[];
  steps: Steps;
}

/** What stands before this step, and the way past it: a written reason, which stays in the log and the record. */
export function GateNotice({ gates, steps }: Props) {
  const { job, append } = useJobBench();
  const pass = (reason: string) =>
    append({ kind: "gate-passed", gates: gates.map(({ id, what }) => ({ id, what })), reason });
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
      <Editable>
        <ReasonForm
          opens="Go on all the same…"
          label="Why you go on all the same"
          hint="kept in the log and the record, with your name"
          gives="Go on with this reason"
          kind="danger"
          give={pass}
        />
      </Editable>
    </Notice>
  );
}
