import { listed, purposesOf, type WorkPurpose } from "@anvilcloud/core";
import { useState } from "react";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, space } from "../../theme/index.ts";
import { Opener, PageTitle, Panel, Quiet } from "../../ui/index.ts";
import { Mechanics } from "./mechanics.tsx";
import { ProcedureCard } from "./procedure-card.tsx";

const Page = styled.div`
  display: grid;
  gap: ${space.l};
  max-width: 900px;
`;

const Purpose = styled.details`
  border-top: 1px solid ${color.line};
  padding: ${space.xs} 0;
`;

function PurposeLine({ text, procedures }: WorkPurpose) {
  const [open, setOpen] = useState(false);
  return (
    <Purpose onToggle={(event) => setOpen(event.currentTarget.open)}>
      <Opener>
        {text}
        {procedures.length > 1 ? `: ${procedures.length} ways` : ""}
      </Opener>
      {/* What a procedure voids takes the whole log to tell: only for what is looked at. */}
      {open && procedures.map((procedure) => <ProcedureCard key={procedure.id} procedure={procedure} />)}
    </Purpose>
  );
}

/** What no procedure is known for, and what the board has nothing of: worth knowing before anything is tried. */
function Unknown({ purposes }: { purposes: readonly WorkPurpose[] }) {
  const lacking = purposes.filter(({ procedures }) => !procedures.length);
  const unknown = lacking.filter(({ absent }) => absent === undefined);
  const absent = [...new Set(lacking.flatMap((each) => each.absent ?? []))];
  return (
    <Purpose as="div">
      {unknown.length > 0 && (
        <p>
          <b>Not known for this board with these drives:</b>{" "}
          {listed(unknown.map(({ text }) => text.toLowerCase()))}.{" "}
          <Quiet as="span">Ask its maker; try nothing on a guess.</Quiet>
        </p>
      )}
      {absent.map((why) => (
        <Quiet key={why}>{why}</Quiet>
      ))}
    </Purpose>
  );
}

/** What is done on a job because it is needed: resets, pairing, learning again, and changes at the leaf. */
export function Component() {
  const { plan } = useJobBench();
  const purposes = purposesOf(plan);
  return (
    <Page>
      <div>
        <PageTitle>Other work</PageTitle>
        <Quiet>
          Begun with a reason, its steps join the run sheet. What it voids opens again, and nothing else.
        </Quiet>
      </div>
      <Panel aria-label="Procedures of the board">
        {purposes
          .filter(({ procedures }) => procedures.length)
          .map((purpose) => (
            <PurposeLine key={purpose.id} {...purpose} />
          ))}
        <Unknown purposes={purposes} />
      </Panel>
      <Mechanics />
    </Page>
  );
}
