import type { JobSummary, Overview, Shelf } from "@anvilcloud/core";
import { addDays, formatISO } from "date-fns";
import { useCallback, useMemo } from "react";
import { Link } from "react-router";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import {
  Button,
  Choice,
  DataTable,
  Empty,
  Failed,
  Loading,
  Quiet,
  Row,
  Segments,
  TextInput,
  type Column,
} from "../../ui/index.ts";
import { dayText } from "../shared/words.ts";
import type { JobActs } from "./acts.ts";
import { JobMenu } from "./job-menu.tsx";
import { Service, Standing, standingNames } from "./standing.tsx";
import { useJobs, useJobsQuery } from "./use-jobs.ts";

const JobLink = styled(Link)`
  display: block;
  min-height: 44px;
  color: inherit;
  text-decoration: none;
  strong {
    font-size: ${size.body};
    text-decoration: underline;
    text-decoration-color: ${color.line};
    text-underline-offset: 3px;
  }
  &:hover strong {
    text-decoration-color: currentColor;
  }
`;

const Narrow = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 2fr) repeat(auto-fit, minmax(150px, 1fr));
  gap: ${space.s} ${space.m};
  align-items: end;
  @media screen and (max-width: 859px) {
    grid-template-columns: 1fr 1fr;
    > :first-child {
      grid-column: 1 / -1;
    }
  }
`;

const shelfNames: Record<Shelf, string> = {
  jobs: "Jobs",
  templates: "Templates",
  archive: "Put away",
  bin: "Deleted",
};

const nothingHere: Record<Shelf, string> = {
  jobs: "No jobs yet. Begin with a new one, or import a job file.",
  templates: "No templates. A job becomes one by the three dots at the end of its line.",
  archive: "Nothing is put away.",
  bin: "Nothing is deleted.",
};

/** What stands for "any" in a filter, where an empty text would. */
const any = "any";

/** A phone has no heads to sort by. */
const OnPhone = styled.div`
  @media (min-width: 860px) {
    display: none;
  }
`;

const sorts = [
  { id: "changed", text: "last changed" },
  { id: "title", text: "title" },
  { id: "town", text: "town" },
  { id: "due", text: "service" },
  { id: "standing", text: "how it stands" },
] as const;

/** Days ahead a service can be looked for. */
const ahead = [
  { id: "0", text: "Due now" },
  { id: "30", text: "Within a month" },
  { id: "90", text: "Within a quarter" },
] as const;

const dayIn = (days: number) => formatISO(addDays(new Date(), days), { representation: "date" });

function Filters({ seen, list }: { seen: Overview; list: ReturnType<typeof useJobsQuery> }) {
  const choice = (
    name: "standing" | "board" | "town",
    label: string,
    options: readonly { id: string; text: string }[],
  ) => (
    <Choice
      label={label}
      value={list.of(name) || any}
      onChange={(value) => list.narrow(name, value === any ? undefined : value)}
      options={[{ id: any, text: "Any" }, ...options]}
    />
  );
  const counted = (all: Overview["boards"]) =>
    all.map(({ of, name, jobs }) => ({ id: of, text: `${name || "none"} (${jobs})` }));
  return (
    <Narrow role="search" aria-label="Narrow the list">
      <TextInput
        label="Find a job"
        placeholder="title, customer, town, board, installer"
        value={list.of("find")}
        onChange={(value) => list.narrow("find", value)}
      />
      {choice(
        "standing",
        "Stands",
        seen.standings.map(({ of, jobs }) => ({ id: of, text: `${standingNames[of]} (${jobs})` })),
      )}
      {choice("board", "Board", counted(seen.boards))}
      {choice("town", "Town", counted(seen.towns.filter(({ of }) => of !== "")))}
      <Choice
        label="Service"
        value={ahead.find(({ id }) => dayIn(Number(id)) === list.of("due"))?.id ?? any}
        onChange={(value) => list.narrow("due", value === any ? undefined : dayIn(Number(value)))}
        options={[{ id: any, text: "Any" }, ...ahead]}
      />
      <OnPhone>
        <Choice
          label="Sorted by"
          value={sorts.find(({ id }) => id === list.sorting.by)?.id ?? "changed"}
          onChange={(by) => list.sort({ by, down: by === "changed" })}
          options={sorts}
        />
      </OnPhone>
    </Narrow>
  );
}

const columnsWith = (acts: JobActs): Column<JobSummary>[] => [
  {
    id: "title",
    head: "Job",
    isHead: true,
    by: ({ title }) => title,
    cell: (job) => (
      <JobLink to={`/jobs/${job.id}`}>
        <strong>{job.title}</strong>
        <Quiet as="span" style={{ display: "block" }}>
          {job.customer}
        </Quiet>
      </JobLink>
    ),
    width: "26%",
    phone: "first",
  },
  { id: "town", head: "Town", width: "11%", by: ({ town }) => town, cell: ({ town }) => town, phone: "off" },
  {
    id: "standing",
    head: "Stands",
    by: ({ standing }) => standing,
    cell: (job) => <Standing job={job} />,
    width: "26%",
    phone: "below",
  },
  {
    id: "due",
    head: "Service",
    by: ({ nextService }) => nextService ?? "",
    cell: (job) => <Service job={job} />,
    width: "15%",
    phone: "off",
  },
  {
    id: "board",
    head: "Board",
    width: "9%",
    by: ({ board }) => board,
    cell: ({ board }) => board,
    phone: "off",
  },
  {
    id: "changed",
    head: "Changed",
    by: ({ updatedAt }) => updatedAt,
    cell: ({ updatedAt }) => <span style={{ whiteSpace: "nowrap" }}>{dayText(updatedAt)}</span>,
    phone: "off",
  },
  {
    id: "more",
    head: "What can be done",
    hidesHead: true,
    cell: (job) => <JobMenu job={job} acts={acts} />,
    width: "52px",
    phone: "end",
  },
];

/** Jobs by search, filter and order, on their shelf; asked for a page at a time as they come into sight. */
export function JobsList({ seen, acts }: { seen: Overview; acts: JobActs }) {
  const list = useJobsQuery();
  const { jobs, total, error, retry, more } = useJobs(list.query);
  const columns = useMemo(() => columnsWith(acts), [acts]);
  const rowKey = useCallback(({ id }: JobSummary) => id, []);
  const countOn = (shelf: Shelf) => seen.shelves.find(({ of }) => of === shelf)?.jobs ?? 0;
  return (
    <section aria-label="All jobs" style={{ display: "grid", gap: 12, minWidth: 0 }}>
      <Row style={{ justifyContent: "space-between" }}>
        <Segments
          label="Which jobs"
          value={list.shelf}
          onChange={list.show}
          options={(["jobs", "templates", "archive", "bin"] as const).map((id) => ({
            id,
            text: countOn(id) ? `${shelfNames[id]} ${countOn(id)}` : shelfNames[id],
          }))}
        />
        <Quiet role="status">
          {jobs && list.isNarrowed ? `${total} found` : ""}
          {list.isNarrowed && (
            <Button $kind="quiet" onPress={list.widen}>
              Show all
            </Button>
          )}
        </Quiet>
      </Row>
      <Filters seen={seen} list={list} />
      {error && <Failed what="The list of jobs" error={error} retry={retry} />}
      {!jobs && !error && <Loading what="jobs" />}
      {jobs?.length === 0 && (
        <Empty>
          {list.isNarrowed ? "No job is like that. Try fewer words, or show all." : nothingHere[list.shelf]}
        </Empty>
      )}
      {jobs && jobs.length > 0 && (
        <DataTable
          label={shelfNames[list.shelf]}
          rows={jobs}
          columns={columns}
          rowKey={rowKey}
          sorting={list.sorting}
          onSort={list.sort}
          onEnd={more}
        />
      )}
    </section>
  );
}
