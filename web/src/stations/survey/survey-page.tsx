import { isAbout, surveyWants } from "@anvilcloud/core";
import { styled } from "styled-components";
import { deviceNumbers, FaceViewer, layerView } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { print, space } from "../../theme/index.ts";
import { Quiet, PageTitle } from "../../ui/index.ts";
import { Editable } from "../shared/editable.tsx";
import { Findings } from "../shared/findings.tsx";
import { BoardNote } from "./board-note.tsx";
import { CardsForm } from "./cards-form.tsx";
import { WaysForm } from "./ways-form.tsx";
import { DevicesForm } from "./devices-form.tsx";
import { FoundForm } from "./found-form.tsx";
import { GateForm } from "./gate-form.tsx";
import { SurveyPath } from "./path.tsx";
import { SiteForm } from "./site-form.tsx";
import { WishesForm } from "./wishes/wishes-form.tsx";

const Page = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${space.m};
  align-items: start;
  @media (min-width: 1100px) {
    grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
    > :first-child {
      grid-column: 1 / -1;
    }
  }
  > div {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: ${space.s};
    min-width: 0;
  }
  fieldset {
    gap: ${space.s};
  }
`;

/** The bench, where there is room beside the forms. */
const Beside = styled.aside`
  position: sticky;
  top: ${space.s};
  display: none;
  @media (min-width: 1100px) {
    display: block;
  }
  ${print} {
    display: none;
  }
`;

function BenchBeside() {
  const { plan } = useJobBench();
  return (
    <FaceViewer
      lead={<Quiet>Where each device goes</Quiet>}
      view={layerView(plan, "planned")}
      numbers={deviceNumbers(plan.wiring.devices)}
      label={`${plan.bundle.board.name}, planned`}
      fileName={`${plan.bundle.job.id}-planned`}
    />
  );
}

/** The survey: everything the plan is made from. */
export function Component() {
  const { job, plan, generation } = useJobBench();
  const status = plan.statuses.find((each) => each.station === "survey");
  const wants = surveyWants(job);
  const wanting = [...new Set(wants.map(({ part }) => part))];
  const onward = wants.some(({ isNeeded }) => isNeeded) ? undefined : `/jobs/${job.id}/wire`;
  const devices = job.devices.map(({ id }) => id);
  const findings = plan.findings.filter(
    (finding) =>
      finding.severity !== "note" &&
      finding.severity !== "danger" &&
      !devices.some((id) => isAbout(finding, "device", id)),
  );
  return (
    <Page>
      <div>
        <PageTitle>Survey</PageTitle>
        <Quiet>
          {status?.reason ?? "Everything the plan needs is here. Each change is saved as it is made."}
        </Quiet>
        <BoardNote />
      </div>
      <div>
        <Findings findings={findings} label="Findings against the plan" />
        <SurveyPath key={job.id} job={job.id} wanting={wanting} onward={onward}>
          <Editable key={generation}>
            <SiteForm />
            <GateForm />
            <CardsForm />
            <DevicesForm />
            <WishesForm />
            <WaysForm />
            <FoundForm />
          </Editable>
        </SurveyPath>
      </div>
      <Beside aria-label="The bench as planned">
        <BenchBeside />
      </Beside>
    </Page>
  );
}
