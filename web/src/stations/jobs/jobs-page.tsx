import { type JobSummary } from "@anvilcloud/core";
import { FilePlus2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { getJson, importBundle, jobsKey } from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Button, Empty, FileButton, Failed, Loading, Notice, Quiet, Row, PageTitle } from "../../ui/index.ts";
import { ColumnPage } from "../shared/page.ts";
import { dayText } from "../shared/words.ts";
import { NewJob } from "./new-job.tsx";
import { Practice } from "./practice.tsx";

const List = styled.ul`
  border-top: 1.5px solid ${color.strongLine};
  a {
    display: grid;
    grid-template-columns: 1fr 260px 250px;
    gap: ${space.xs} ${space.l};
    align-items: baseline;
    padding: ${space.m} ${space.s};
    border-bottom: 1px solid ${color.line};
    color: inherit;
    text-decoration: none;
    ${narrow} {
      grid-template-columns: 1fr;
    }
  }
  a:hover {
    background: ${color.surface};
  }
  strong {
    font-size: ${size.lead};
  }
`;

/** How far a job is; one that calls for someone in bold. */
function Progress({ job }: { job: JobSummary }) {
  if (job.nextService && job.nextService <= new Date().toISOString().slice(0, 10))
    return <b>Service due since {dayText(job.nextService)}</b>;
  if (job.handedOverAt) return <span>Handed over {dayText(job.handedOverAt)}</span>;
  if (job.reopened)
    return (
      <span>
        <b>Opened again.</b> {job.reopened}
      </span>
    );
  return <span>{job.answered ? `Under way, ${job.answered} steps answered` : "Not begun"}</span>;
}

function JobLine({ job }: { job: JobSummary }) {
  return (
    <li>
      <Link to={`/jobs/${job.id}`}>
        <span>
          <strong>{job.title}</strong>
          <Quiet as="span" style={{ display: "block" }}>
            {[job.customer, job.town].filter(Boolean).join(", ")}
          </Quiet>
        </span>
        <Progress job={job} />
        <Quiet as="span">
          {job.board} · changed {dayText(job.updatedAt)}
        </Quiet>
      </Link>
    </li>
  );
}

/** As much as the server takes, bytes. */
const largestJobFile = 1_000_000_000;

function ImportButton({ onError }: { onError: (message: string | undefined) => void }) {
  const navigate = useNavigate();
  return (
    <FileButton
      label="Import a job file"
      accepts={["application/json", ".json"]}
      most={largestJobFile}
      onError={onError}
      take={async (file) => {
        const id = await importBundle(file);
        void navigate(`/jobs/${id}`);
      }}
    />
  );
}

/** All jobs, the one changed last first. */
export function Component() {
  const [search, setSearch] = useSearchParams();
  const page = Math.max(0, Number(search.get("page")) || 0);
  const [adding, setAdding] = useState(false);
  const [refusal, setRefusal] = useState<string>();
  type Answer = { jobs: JobSummary[]; total: number; pageSize: number };
  const { data, error, mutate } = useSWR<Answer, Error>(jobsKey(page), getJson);
  return (
    <ColumnPage>
      <Row style={{ justifyContent: "space-between" }}>
        <PageTitle>Jobs</PageTitle>
        <Row>
          <ImportButton onError={setRefusal} />
          <Button $kind="filled" onPress={() => setAdding(true)}>
            <FilePlus2 size={20} aria-hidden /> New job
          </Button>
        </Row>
      </Row>
      {refusal && (
        <Notice tone="fault" title="Not imported">
          <span style={{ whiteSpace: "pre-line", overflowWrap: "anywhere" }}>{refusal}</span>
        </Notice>
      )}
      {error && <Failed what="The list of jobs" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="jobs" />}
      {data && data.total === 0 && <Empty>No jobs yet. Begin with a new one, or import a job file.</Empty>}
      {data && data.total > 0 && (
        <List>
          {data.jobs.map((job) => (
            <JobLine key={job.id} job={job} />
          ))}
        </List>
      )}
      {data && data.total > data.pageSize && (
        <Row>
          <Button
            $kind="outlined"
            isDisabled={page === 0}
            onPress={() => setSearch({ page: String(page - 1) })}
          >
            Newer
          </Button>
          <Quiet>
            {page * data.pageSize + 1} to {Math.min(data.total, (page + 1) * data.pageSize)} of {data.total}
          </Quiet>
          <Button
            $kind="outlined"
            isDisabled={(page + 1) * data.pageSize >= data.total}
            onPress={() => setSearch({ page: String(page + 1) })}
          >
            Older
          </Button>
        </Row>
      )}
      <Practice />
      <NewJob isOpen={adding} onClose={() => setAdding(false)} />
    </ColumnPage>
  );
}
