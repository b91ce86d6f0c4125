import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { space } from "../../theme/index.ts";
import { Quiet, PageTitle } from "../../ui/index.ts";
import { Editable } from "../shared/editable.tsx";
import { Findings } from "../shared/findings.tsx";
import { BoardNote } from "./board-note.tsx";
import { CardsForm } from "./cards-form.tsx";
import { WaysForm } from "./ways-form.tsx";
import { DevicesForm } from "./devices-form.tsx";
import { FoundForm } from "./found-form.tsx";
import { GateForm } from "./gate-form.tsx";
import { SiteForm } from "./site-form.tsx";
import { WishesForm } from "./wishes/wishes-form.tsx";

const Page = styled.div`
  display: grid;
  gap: ${space.l};
  max-width: 1000px;
`;

/** The survey: everything the plan is made from. */
export function Component() {
  const { plan, generation } = useJobBench();
  const status = plan.statuses.find((each) => each.station === "survey");
  return (
    <Page key={generation}>
      <div>
        <PageTitle>Survey</PageTitle>
        <Quiet>
          {status?.reason ?? "Everything the plan needs is here. Each change is saved as it is made."}
        </Quiet>
        <BoardNote />
      </div>
      <Findings
        findings={plan.findings.filter(({ severity }) => severity !== "note" && severity !== "danger")}
        label="Findings against the plan"
      />
      <Editable>
        <SiteForm />
        <GateForm />
        <CardsForm />
        <DevicesForm />
        <WishesForm />
        <WaysForm />
        <FoundForm />
      </Editable>
    </Page>
  );
}
