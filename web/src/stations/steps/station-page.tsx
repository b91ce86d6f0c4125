import { menuValues, stations, type Finding, type Station } from "@anvilcloud/core";
import { Navigate, useNavigate, useParams, useSearchParams } from "react-router";
import { styled } from "styled-components";
import { Bench } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { narrow, print, space } from "../../theme/index.ts";
import { Button, Heading, Notice, PageTitle, Panel, Quiet, Row, Segments } from "../../ui/index.ts";
import { Findings } from "../shared/findings.tsx";
import { stationNames, stepAddress } from "../shared/words.ts";
import { EntryPanel } from "../shared/entry/face-entry.tsx";
import { HistoryTable } from "../shared/entry/history-table.tsx";
import { SetPlan } from "../set/set-plan.tsx";
import { AsWired } from "../wire/as-wired.tsx";
import { Cables } from "../wire/cables.tsx";
import { Labels } from "../wire/labels.tsx";
import { WirePlan } from "../wire/wire-plan.tsx";
import { HandOver } from "./hand-over.tsx";
import { StepCard } from "./step-card.tsx";
import { StepList } from "./step-list.tsx";
import { useSteps, type Steps } from "./use-steps.ts";

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: ${space.l};
  align-items: start;
  > * {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: ${space.l};
  }
  > aside {
    position: sticky;
    top: ${space.s};
  }
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
    > aside {
      position: static;
    }
  }
  ${print} {
    grid-template-columns: minmax(0, 1fr);
    > aside {
      position: static;
    }
  }
`;

function StationHead({ station }: { station: Station }) {
  const { job, plan } = useJobBench();
  const steps = useSteps();
  const navigate = useNavigate();
  const status = plan.statuses.find((each) => each.station === station);
  const next = steps.of(station).find((step) => steps.said.get(step.id)?.outcome !== "seen");
  return (
    <>
      <Row style={{ justifyContent: "space-between" }}>
        <div>
          <PageTitle>{stationNames[station]}</PageTitle>
          <Quiet>
            {status?.total ? `${status.done} of ${status.total} steps seen` : "Nothing has to be done here"}
          </Quiet>
        </div>
        {next && (
          <Button $kind="filled" onPress={() => void navigate(stepAddress(job.id, station, next.id))}>
            {status?.done ? "Go on" : "Begin"}
          </Button>
        )}
      </Row>
      {status?.state === "open" && status.reason && (
        <Notice tone="note" title="Some answers no longer hold">
          {status.reason}
        </Notice>
      )}
      {status?.state === "blocked" && (
        <Notice
          tone={status.trouble ? "fault" : "note"}
          title={status.trouble ? "Blocked" : "Waits for earlier work"}
        >
          {status.reason}
        </Notice>
      )}
    </>
  );
}

/** What is set under power, at another station: the values of the menus. */
function ValueSteps({ steps }: { steps: Steps }) {
  const { plan } = useJobBench();
  const items = menuValues(plan.bundle.board).map(({ item }) => item.id);
  const list = steps.all.filter(({ station, control }) => station !== "set" && items.includes(control ?? ""));
  if (!list.length) return null;
  return (
    <Panel>
      <Heading>Set in the menus, once there is power</Heading>
      <StepList list={list} steps={steps} />
    </Panel>
  );
}

type View = "plan" | "cables" | "as-wired" | "labels" | "stands" | "steps";

const setViews: readonly { id: View; text: string }[] = [
  { id: "plan", text: "Plan" },
  { id: "stands", text: "Found and left" },
  { id: "steps", text: "Steps" },
];

const planViews: readonly { id: View; text: string }[] = [
  { id: "plan", text: "Plan" },
  { id: "steps", text: "Steps" },
];

const wireViews: readonly { id: View; text: string }[] = [
  { id: "plan", text: "Plan" },
  { id: "cables", text: "Cables" },
  { id: "as-wired", text: "As wired" },
  { id: "labels", text: "Labels" },
  { id: "steps", text: "Steps" },
];

/** A station's plan and steps, with the bench beside them; with a step in the address, its card. */
export function Component() {
  const { station = "", step: stepId } = useParams();
  const { job, plan } = useJobBench();
  const steps = useSteps();
  const [search, setSearch] = useSearchParams();
  const asked = search.get("view");
  if (!(stations as readonly string[]).includes(station)) return <Navigate replace to={`/jobs/${job.id}`} />;
  const here = station as Station;
  const list = steps.of(here);
  const step = stepId === undefined ? undefined : list.find((each) => each.id === stepId);
  const planned = here === "wire" || here === "set";
  const views = here === "wire" ? wireViews : here === "set" ? setViews : planViews;
  const view = views.find(({ id }) => id === asked)?.id ?? "plan";
  // Dangers stand above every page of the job.
  const below = (findings: readonly Finding[]) => findings.filter((each) => each.severity !== "danger");
  const grave = below(plan.nowFindings);
  const all = here === "set" ? plan.controls.findings : here === "wire" ? plan.wiring.findings : [];
  const notes = below(all);
  return (
    <Columns>
      <div>
        {stepId !== undefined && !step && (
          <Notice tone="note" title="The plan has changed">
            The step of this address is no longer part of it. What was done is kept in the record.
          </Notice>
        )}
        {step ? (
          <>
            <StepCard key={step.id} step={step} steps={steps} />
            <Findings findings={grave} label="Findings at the board" />
          </>
        ) : (
          <>
            <Findings findings={grave} label="Findings at the board" />
            <StationHead station={here} />
            <Findings
              findings={notes.filter((each) => each.severity !== "note")}
              label="Findings against the plan"
            />
            {planned && (
              <Segments
                label="What of this station"
                value={view}
                onChange={(next) => setSearch(next === "plan" ? {} : { view: next }, { replace: true })}
                options={views}
              />
            )}
            {(!planned || view === "steps") && list.length > 0 && (
              <Panel>
                <StepList list={list} steps={steps} />
              </Panel>
            )}
            {here === "set" && view === "steps" && <ValueSteps steps={steps} />}
            {here === "hand-over" && <HandOver />}
            {here === "wire" && view === "plan" && <WirePlan />}
            {view === "cables" && <Cables />}
            {view === "as-wired" && <AsWired />}
            {view === "labels" && <Labels />}
            {here === "set" && view === "plan" && <SetPlan />}
            {here === "set" && view === "stands" && (
              <>
                <HistoryTable />
                <EntryPanel />
              </>
            )}
            <Findings findings={notes.filter((each) => each.severity === "note")} label="Notes on the plan" />
          </>
        )}
      </div>
      <aside aria-label="Bench">
        <Panel>
          <Bench
            key={step?.id ?? `${here} ${view === "as-wired"}`}
            plan={plan}
            start={view === "as-wired" ? "now" : planned ? "planned" : "now"}
            step={step}
          />
        </Panel>
        {step && (
          <Panel>
            <StepList list={list} steps={steps} current={step.id} />
          </Panel>
        )}
      </aside>
    </Columns>
  );
}
