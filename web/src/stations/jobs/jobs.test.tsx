import type { JobSummary, Overview } from "@anvilcloud/core";
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { SWRConfig } from "swr";
import { DoneNotices, forgetDone } from "../../ui/index.ts";
import { Component as JobsPage } from "./jobs-page.tsx";

beforeAll(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));
afterEach(cleanup);
afterEach(forgetDone);

const line: JobSummary = {
  id: "a",
  version: 1,
  title: "Netloft yard",
  customer: "Tamsel Orrowby",
  town: "Saltreath",
  board: "Tandrel",
  updatedAt: "2026-11-20T07:30:00.000Z",
  shelf: "jobs",
  standing: "not-begun",
  waitsFor: "",
  answered: 0,
  unseen: 0,
  handedOverAt: null,
  nextService: null,
  reopened: null,
};

const lines: JobSummary[] = [
  line,
  { ...line, id: "b", title: "Ropewalk", standing: "under-way", answered: 23 },
  {
    ...line,
    id: "c",
    title: "Sail loft",
    standing: "handed-over",
    handedOverAt: "2025-09-16T12:05:00.000Z",
    nextService: "2026-09-16",
  },
  { ...line, id: "d", title: "Chandlery", standing: "opened-again", reopened: "It stops half open." },
  { ...line, id: "e", title: "Icehouse", standing: "waiting", waitsFor: "a lock" },
];

interface Sent {
  method: string;
  address: string;
  body: unknown;
}

/** A server with these jobs, that keeps what is sent to it and puts jobs where they are put. */
function serve(jobs: JobSummary[]) {
  const sent: Sent[] = [];
  const some = (standing: string) => {
    const those = jobs.filter((job) => job.standing === standing && job.shelf === "jobs");
    return { total: those.length, jobs: those };
  };
  const overview = (): Overview => ({
    due: { total: 1, jobs: jobs.filter(({ nextService }) => nextService !== null) },
    openedAgain: some("opened-again"),
    waiting: some("waiting"),
    underWay: some("under-way"),
    shelves: jobs.length ? [{ of: "jobs", name: "jobs", jobs: jobs.length }] : [],
    standings: [{ of: "waiting", name: "waiting", jobs: 1 }],
    boards: [{ of: "tandrel", name: "Tandrel", jobs: 5 }],
    towns: [{ of: "Saltreath", name: "Saltreath", jobs: 5 }],
  });
  globalThis.fetch = ((address: string, init: RequestInit = {}) => {
    const body = init.body ? (JSON.parse(String(init.body)) as object) : undefined;
    sent.push({ method: init.method ?? "GET", address, body });
    const placed = /jobs\/(\w+)\/place/.exec(address);
    if (placed)
      Object.assign(
        jobs.find(({ id }) => id === placed[1])!,
        body,
      );
    const shelf = new URLSearchParams(address.split("?")[1]).get("shelf") ?? "jobs";
    const on = jobs.filter((job) => job.shelf === shelf);
    const answer = address.startsWith("/api/overview")
      ? overview()
      : { jobs: on, total: on.length, page: 0, pageSize: 100 };
    const copy = JSON.parse(JSON.stringify(answer)) as unknown;
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(copy) });
  }) as unknown as typeof fetch;
  return sent;
}

const show = (address = "/") =>
  render(
    <SWRConfig value={{ provider: () => new Map(), shouldRetryOnError: false, dedupingInterval: 0 }}>
      <MemoryRouter initialEntries={[address]}>
        <JobsPage />
        <DoneNotices />
      </MemoryRouter>
    </SWRConfig>,
  );

const asked = (sent: readonly Sent[]) =>
  sent.filter(({ address }) => address.startsWith("/api/jobs?")).map(({ address }) => address);

describe("home", () => {
  test("says what calls for someone, and how each job stands", async () => {
    serve(lines);
    show();
    const next = within(await screen.findByRole("region", { name: "Next" }));
    for (const [head, what] of [
      ["Service due", /Sail loft.*due since 16 Sep 2026/],
      ["Opened again", /Chandlery.*It stops half open/],
      ["Waiting", /Icehouse.*Waits for a lock/],
      ["Under way", /Ropewalk.*23 steps done/],
    ] as const)
      expect(next.getByRole("region", { name: head }).textContent).toMatch(what);
    const rows = within(await screen.findByRole("table", { name: "Jobs" })).getAllByRole("row");
    expect(rows[1]?.textContent).toContain("Not begun");
    expect(rows).toHaveLength(1 + lines.length);
  });

  test("narrows and sorts by what stands in its address, and puts it there", async () => {
    const sent = serve(lines);
    show("/?standing=waiting&sort=title");
    await screen.findByRole("table", { name: "Jobs" });
    expect(asked(sent)[0]).toBe("/api/jobs?standing=waiting&sort=title");
    await userEvent.type(screen.getByRole("textbox", { name: "Find a job" }), "ice");
    await waitFor(() => expect(asked(sent).at(-1)).toContain("find=ice"));
    await userEvent.click(screen.getByRole("button", { name: "Town" }));
    await waitFor(() => expect(asked(sent).at(-1)).toContain("sort=town&order=up"));
    await userEvent.click(screen.getByRole("button", { name: "Show all" }));
    await waitFor(() => expect(asked(sent).at(-1)).toBe("/api/jobs?sort=town&order=up"));
  });

  test("a job is deleted from its line and taken back with Ctrl+Z", async () => {
    const sent = serve(lines.map((each) => ({ ...each })));
    show();
    await userEvent.click(await screen.findByRole("button", { name: "More for Icehouse" }));
    await userEvent.click(await screen.findByRole("menuitem", { name: "Delete it" }));
    await waitFor(() => expect(screen.queryByRole("button", { name: "More for Icehouse" })).toBeNull());
    expect(sent.find(({ method }) => method === "PUT")).toMatchObject({
      address: "/api/jobs/e/place",
      body: { shelf: "bin" },
    });
    expect(await screen.findByText("Icehouse is deleted.")).toBeTruthy();
    await userEvent.keyboard("{Control>}z{/Control}");
    expect(await screen.findByRole("button", { name: "More for Icehouse" })).toBeTruthy();
  });

  test("a job like another is asked for its title, and begun", async () => {
    const sent = serve(lines);
    show();
    await userEvent.click(await screen.findByRole("button", { name: "More for Netloft yard" }));
    await userEvent.click(await screen.findByRole("menuitem", { name: "Begin a job like it" }));
    const title = await screen.findByRole("textbox", { name: "Title" });
    expect((title as HTMLInputElement).value).toBe("Netloft yard, copy");
    await userEvent.clear(title);
    expect(screen.getByRole("button", { name: "Begin it" }).hasAttribute("disabled")).toBe(true);
    await userEvent.type(title, "Netloft yard, north");
    await userEvent.click(screen.getByRole("button", { name: "Begin it" }));
    await waitFor(() =>
      expect(sent.find(({ method }) => method === "POST")).toMatchObject({
        address: "/api/jobs/a/copies",
        body: { title: "Netloft yard, north", customer: "Tamsel Orrowby" },
      }),
    );
  });

  test("without a job it says how it goes; what fails can be tried again", async () => {
    serve([]);
    show();
    expect(await screen.findByText(/Say what is there/)).toBeTruthy();
    cleanup();
    globalThis.fetch = (() => Promise.reject(new TypeError("no connection"))) as unknown as typeof fetch;
    show();
    await screen.findByText(/The server does not answer/);
    serve(lines);
    await userEvent.click(screen.getAllByRole("button", { name: "Try again" })[0]!);
    expect(await screen.findByRole("table", { name: "Jobs" })).toBeTruthy();
  });
});
