import { act, cleanup, screen } from "@testing-library/react";
import { useLayoutEffect } from "react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { SWRConfig } from "swr";
import { JobProvider, OnTheWayProvider, useJobBench } from "../../data/index.ts";
import { fakeServer, netloft, renderPlanned, settled } from "../../testing/bench.tsx";
import { Component as FirstOpen } from "./first-open.tsx";

afterEach(cleanup);

// The router makes one of these for each navigation; jsdom has none, and no page here reads it.
beforeAll(() => {
  globalThis.Request ??= class {
    readonly method = "GET";
    readonly headers = new Map();
    readonly signal: unknown;
    constructor(
      readonly url: string,
      { signal }: RequestInit = {},
    ) {
      this.signal = signal;
    }
  } as unknown as typeof Request;
});

/** Someone who goes elsewhere in the moment in which the plan has come: nothing of it is drawn yet. */
function Leaves({ go }: { go: () => void }) {
  useJobBench();
  useLayoutEffect(go, [go]);
  return null;
}

/** A job's own address, its survey, and a page whose script is still on its way. */
function pages(leaves: (router: { navigate: (to: string) => unknown }) => void = () => {}) {
  const bundle = netloft();
  const stored = { version: 1, job: bundle.job, board: bundle.board, devices: bundle.devices };
  let arrives = () => {};
  const script = new Promise<void>((resolve) => (arrives = resolve));
  const go = () => leaves(router);
  const router = createMemoryRouter(
    [
      {
        path: "/jobs/:id",
        element: (
          <SWRConfig value={{ provider: () => new Map() }}>
            <JobProvider id={bundle.job.id} stored={stored} log={bundle.log} catalogue={bundle.devices}>
              <FirstOpen />
              <Leaves go={go} />
            </JobProvider>
          </SWRConfig>
        ),
      },
      { path: "/jobs/:id/survey", element: <h1>Survey</h1> },
      { path: "/boards", lazy: () => script.then(() => ({ element: <h1>Boards</h1> })) },
    ],
    { initialEntries: ["/jobs/netloft"] },
  );
  renderPlanned(
    <OnTheWayProvider value={() => router.state.navigation.state !== "idle"}>
      <RouterProvider router={router} />
    </OnTheWayProvider>,
  );
  return { router, arrives };
}

test("a job's own address leads to its first open station", async () => {
  fakeServer();
  const { router } = pages();
  expect(await screen.findByRole("heading", { name: "Survey" })).toBeTruthy();
  expect(router.state.location.pathname).toBe("/jobs/netloft/survey");
});

test("whoever is on the way to another page by then gets there", async () => {
  fakeServer();
  const { router, arrives } = pages();
  act(() => void router.navigate("/boards"));
  await settled();
  arrives();
  expect(await screen.findByRole("heading", { name: "Boards" })).toBeTruthy();
  expect(router.state.location.pathname).toBe("/boards");
});

test("and so does who went there in the very moment in which the plan came", async () => {
  fakeServer();
  const { router, arrives } = pages((here) => void here.navigate("/boards"));
  await settled();
  arrives();
  expect(await screen.findByRole("heading", { name: "Boards" })).toBeTruthy();
  expect(router.state.location.pathname).toBe("/boards");
});
