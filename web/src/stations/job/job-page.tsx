import { Keyboard } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, Outlet, useNavigate, useParams } from "react-router";
import { styled } from "styled-components";
import { HighlightProvider, JobProvider, noteRecent, useJobBench, useJobParts } from "../../data/index.ts";
import { color, narrow, print, size, space } from "../../theme/index.ts";
import { Button, Failed, Loading, StandingLink, useShortcuts, Whole, Work } from "../../ui/index.ts";
import { ClosedNotice } from "./closed-notice.tsx";
import { Conflict } from "./conflict.tsx";
import { DangerBar } from "./danger-bar.tsx";
import { SaveMark } from "./save-mark.tsx";
import { ShortcutHelp } from "./shortcut-help.tsx";
import { StationRail } from "./station-rail.tsx";
import { useJobOffers } from "./job-offers.ts";
import { PaperHead } from "../paper/paper-head.tsx";
import { RunFindings } from "./run-findings.tsx";
import { UnstoredAnswers } from "./unstored.tsx";

const Frame = styled.div`
  display: grid;
  grid-template-columns: 204px minmax(0, 1fr);
  gap: 0 ${space.l};
  padding: 0 ${space.l} ${space.l} ${space.s};
  > aside {
    position: sticky;
    top: 0;
    align-self: start;
    padding-top: ${space.m};
  }
  ${narrow} {
    display: block;
    padding: 0;
    > aside {
      z-index: 2;
      padding: 0;
      background: ${color.ground};
      border-bottom: 1px solid ${color.line};
    }
    > main {
      padding: 0 ${space.m} ${space.l};
    }
  }
  ${print} {
    display: block;
    padding: 0;
    > aside {
      display: none;
    }
    > main {
      padding: 0;
    }
  }
`;

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${space.xs} ${space.l};
  padding: ${space.s} 0;
  strong {
    font-size: ${size.lead};
    margin-right: auto;
  }
  ${narrow} {
    strong {
      flex-basis: 100%;
    }
    > div {
      margin-right: auto;
    }
  }
  ${print} {
    display: none;
  }
`;

/** Keys are told of where there is a keyboard. */
const WhereKeys = styled.span`
  ${narrow} {
    display: none;
  }
`;

/** What is said above every page of the job. */
const Above = styled.div`
  display: grid;
  gap: ${space.s};
  &:not(:empty) {
    margin-bottom: ${space.m};
  }
  ${print} {
    display: none;
  }
`;

function JobFrame() {
  const { job, plan, save, settle, retry } = useJobBench();
  const [help, setHelp] = useState(false);
  const navigate = useNavigate();
  useJobOffers();
  useShortcuts({
    "?": () => setHelp(true),
    ...Object.fromEntries(
      plan.statuses.map(({ station }, at) => [
        String(at + 1),
        () => void navigate(`/jobs/${job.id}/${station}`),
      ]),
    ),
  });
  return (
    <Frame>
      <aside>
        <StationRail job={job.id} statuses={plan.statuses} />
      </aside>
      <main>
        <Bar>
          <strong>{job.title}</strong>
          <SaveMark save={save} retry={retry} />
          <StandingLink to={`/jobs/${job.id}/live`}>Run it</StandingLink>
          <StandingLink to={`/jobs/${job.id}/work`}>Other work</StandingLink>
          <StandingLink to={`/jobs/${job.id}/record`}>Record</StandingLink>
          <WhereKeys>
            <Button
              $kind="quiet"
              aria-label="Keys"
              onPress={() => setHelp(true)}
              style={{ padding: "0 10px" }}
            >
              <Keyboard size={20} aria-hidden />
            </Button>
          </WhereKeys>
        </Bar>
        <PaperHead />
        <Work>
          <DangerBar />
          <Above>
            <RunFindings />
            <ClosedNotice />
            <UnstoredAnswers />
          </Above>
          <Outlet />
        </Work>
      </main>
      {save.kind === "conflict" && <Conflict conflict={save} mine={job} settle={settle} />}
      <ShortcutHelp isOpen={help} onClose={() => setHelp(false)} />
    </Frame>
  );
}

/** One job: its stations, its save state, and the station at hand. */
export function Component() {
  const { id = "" } = useParams();
  const { parts, error, retry } = useJobParts(id);
  const title = parts?.stored.job.title;
  useEffect(() => {
    if (title !== undefined) noteRecent("jobs", { id, text: title });
  }, [id, title]);
  if (error)
    return (
      <Whole>
        <Failed what="This job" error={error} retry={retry} />
        <p>
          <Link to="/">All jobs</Link>
        </p>
      </Whole>
    );
  if (!parts)
    return (
      <Whole>
        <Loading what="job" />
      </Whole>
    );
  return (
    <JobProvider key={id} id={id} {...parts}>
      <HighlightProvider>
        <JobFrame />
      </HighlightProvider>
    </JobProvider>
  );
}
