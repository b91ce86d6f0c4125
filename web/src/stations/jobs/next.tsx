import type { JobSummary, JobStanding, Overview } from "@anvilcloud/core";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { styled } from "styled-components";
import { recent } from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Heading, Quiet } from "../../ui/index.ts";
import { Service, Standing } from "./standing.tsx";

const Groups = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: ${space.l};
  ${narrow} {
    grid-template-columns: 1fr;
    gap: ${space.m};
  }
`;

const Group = styled.section`
  border-top: 3px solid ${color.strongLine};
  padding-top: ${space.s};
  min-width: 0;
  &[data-calls="true"] {
    border-color: ${color.accent};
  }
  h3 {
    display: flex;
    justify-content: space-between;
    font-size: ${size.small};
    font-weight: 700;
  }
  li a {
    display: block;
    min-height: 44px;
    padding: ${space.xs} 0;
    color: inherit;
    text-decoration: none;
    border-bottom: 1px solid ${color.line};
    font-size: ${size.small};
  }
  li a:hover {
    background: ${color.surface};
  }
  strong {
    display: block;
    font-size: ${size.body};
    overflow: hidden;
    text-overflow: ellipsis;
  }
`;

interface Some {
  title: string;
  some: { total: number; jobs: readonly JobSummary[] };
  /** Said of each of them. */
  says: (job: JobSummary) => ReactNode;
  /** Where all of them stand. */
  all: string;
}

/** As many as are named of each. */
const named = 4;

function Jobs({ title, some, says, all }: Some) {
  return (
    <Group data-calls="true" aria-label={title}>
      <h3>
        {title} <span>{some.total}</span>
      </h3>
      <ul>
        {some.jobs.slice(0, named).map((job) => (
          <li key={job.id}>
            <Link to={`/jobs/${job.id}`}>
              <strong>{job.title}</strong>
              {says(job)}
            </Link>
          </li>
        ))}
      </ul>
      {some.total > named && <Link to={all}>All {some.total}</Link>}
    </Group>
  );
}

const standingAddress = (standing: JobStanding) => `/?standing=${standing}`;

/** What calls for someone next, and what was open here last. */
export function Next({ seen }: { seen: Overview }) {
  const groups: Some[] = [
    {
      title: "Service due",
      some: seen.due,
      says: (job) => <Service job={job} />,
      all: "/?sort=due",
    },
    {
      title: "Opened again",
      some: seen.openedAgain,
      says: (job) => <span>{job.reopened}</span>,
      all: standingAddress("opened-again"),
    },
    {
      title: "Waiting",
      some: seen.waiting,
      says: (job) => <Standing job={job} />,
      all: standingAddress("waiting"),
    },
    {
      title: "Under way",
      some: seen.underWay,
      says: (job) => <Standing job={job} />,
      all: standingAddress("under-way"),
    },
  ];
  const calling = groups.filter(({ some }) => some.total > 0);
  const last = recent("jobs").slice(0, named);
  if (!calling.length && !last.length) return null;
  return (
    <section aria-label="Next">
      <Heading>Next</Heading>
      <Groups>
        {calling.map((group) => (
          <Jobs key={group.title} {...group} />
        ))}
        {last.length > 0 && (
          <Group aria-label="Last open here">
            <h3>Last open here</h3>
            <ul>
              {last.map(({ id, text }) => (
                <li key={id}>
                  <Link to={`/jobs/${id}`}>
                    <strong>{text}</strong>
                  </Link>
                </li>
              ))}
            </ul>
          </Group>
        )}
      </Groups>
      {!calling.length && <Quiet>Nothing calls for anyone.</Quiet>}
    </section>
  );
}
