import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import { planJob, readBoard, type BoardProfile } from "@anvilcloud/core";
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { SWRConfig } from "swr";
import { netloft, renderPlanned } from "../../testing/bench.tsx";
import { Component as BoardPage } from "./board-page.tsx";
import { Component as BoardsPage } from "./boards-page.tsx";
import { Component as ComparePage } from "./compare-page.tsx";

const root = resolve(import.meta.dirname, "../../../..");
const board = (id: string): BoardProfile =>
  readBoard(readFileSync(resolve(root, `boards/${id}.yaml`), "utf8"), id);
const boards = ["quillmarsh-tandrel", "furzel-slathorn", "tarn-grellock", "copperfold-casspel"].map(board);

interface Sent {
  method: string;
  address: string;
  body: unknown;
}

/** Answers by address; what is sent is kept. */
function serve(answers: Record<string, unknown>): Sent[] {
  const sent: Sent[] = [];
  globalThis.fetch = ((address: string, init: RequestInit = {}) => {
    sent.push({
      method: init.method ?? "GET",
      address,
      body: init.body ? JSON.parse(String(init.body)) : undefined,
    });
    const answer = answers[address];
    const ok = answer !== undefined || init.method !== undefined;
    return Promise.resolve({
      ok,
      status: ok ? 200 : 404,
      json: () =>
        Promise.resolve(answer ?? { title: "No such board", detail: "There is no such board here." }),
      text: () => Promise.resolve(String(answer)),
    });
  }) as unknown as typeof fetch;
  return sent;
}

function show(address: string) {
  const router = createMemoryRouter(
    [
      { path: "/boards", element: <BoardsPage /> },
      { path: "/boards/compare", element: <ComparePage /> },
      { path: "/boards/:id", element: <BoardPage /> },
      { path: "*", element: <p>elsewhere</p> },
    ],
    { initialEntries: [address] },
  );
  renderPlanned(
    <SWRConfig value={{ provider: () => new Map(), shouldRetryOnError: false }}>
      <RouterProvider router={router} />
    </SWRConfig>,
  );
  return router;
}

// Pages load by themselves here: updates come when their data does, outside any act of the test.
beforeAll(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = false;
});
afterEach(cleanup);

describe("the list of boards", () => {
  test("shows each with its purpose and how many jobs rest on it", async () => {
    serve({ "/api/boards": { boards, jobs: { "quillmarsh-tandrel": 3, "tarn-grellock": 1 } } });
    show("/boards");
    expect(await screen.findByText("revision 2, 3 jobs")).toBeTruthy();
    expect(document.querySelectorAll("li")).toHaveLength(4);
    expect(screen.getByText(boards[0]!.summary)).toBeTruthy();
    expect(screen.getByText("revision 2, 1 job")).toBeTruthy();
    expect(screen.getAllByText(/^revision \d+, no job$/)).toHaveLength(2);
    expect(screen.getAllByText("Rolling grille").length).toBeGreaterThan(0);
  });

  test("says so when it cannot be loaded", async () => {
    serve({});
    show("/boards");
    expect(await screen.findByText(/The list of boards could not be loaded/)).toBeTruthy();
  });
});

describe("one board", () => {
  const slathorn = boards[1]!;
  beforeEach(() => {
    serve({ "/api/boards/furzel-slathorn": slathorn, "/api/boards/furzel-slathorn/jobs": { jobs: [] } });
    show("/boards/furzel-slathorn");
  });

  test("new with power, set up, and as delivered, its face shows what the board would", async () => {
    expect(await screen.findByRole("img", { name: "Display, shows 00" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Lamp NET, green, lit" })).toBeTruthy();
    fireEvent.click(screen.getByRole("radio", { name: "As delivered" }));
    expect(await screen.findByRole("img", { name: "Display, dark" })).toBeTruthy();
    fireEvent.click(screen.getByRole("radio", { name: "Set up" }));
    expect(await screen.findByRole("img", { name: "Display, shows b1" })).toBeTruthy();
  });

  test("a part that is pointed at says what it is", async () => {
    fireEvent.pointerEnter(await screen.findByRole("img", { name: /^Terminal P5,/ }));
    expect(
      screen.getByText(/Edge: wants a contact that rests closed, to P1 · end resistor 8200 Ω/),
    ).toBeTruthy();
    fireEvent.pointerEnter(screen.getByRole("img", { name: /^Key \+/ }));
    expect(screen.getByText("Key + · outside the menu: Opens the gate.")).toBeTruthy();
  });

  test("menus with every way in and every entry, procedures with their source", async () => {
    fireEvent.click(await screen.findByRole("tab", { name: "Menus" }));
    expect(screen.getByText(/^next: press \+ · previous: press − · into: press ƒ/)).toBeTruthy();
    expect(screen.getByText("its point goes out when any value is changed")).toBeTruthy();
    fireEvent.click(screen.getByRole("tab", { name: "Procedures" }));
    // Each procedure's, and the profile's own under the title.
    expect(screen.getAllByText(/Known from: maker's sheet/).length).toBe(slathorn.procedures.length + 1);
    fireEvent.click(screen.getByRole("tab", { name: "Memory and codes" }));
    expect(screen.getByText("counts in steps of 2000")).toBeTruthy();
    fireEvent.click(screen.getByRole("tab", { name: "Jobs" }));
    expect(await screen.findByText("No job uses this board.")).toBeTruthy();
  });
});

test("a board that is not there is said to be not there", async () => {
  serve({});
  show("/boards/nobody");
  expect(await screen.findByText("There is no such board here.", { exact: false })).toBeTruthy();
});

describe("the jobs on a board", () => {
  const tandrel = boards[0]!;
  const bundle = netloft();
  const uses = [{ id: "netloft", title: "Netloft yard", revision: 1, handedOver: false }];
  const begin = (next: BoardProfile) => {
    const sent = serve({
      "/api/boards/quillmarsh-tandrel": next,
      "/api/boards/quillmarsh-tandrel/jobs": { jobs: uses },
      "/api/jobs/netloft/bundle": bundle,
      "/api/jobs/netloft": { version: 7, job: bundle.job, board: tandrel, devices: bundle.devices },
    });
    show("/boards/quillmarsh-tandrel");
    return sent;
  };

  test("are told what a revision does before it is taken, and keep theirs until then", async () => {
    const lessFeed = { ...tandrel, revision: 2, budgets: [{ ...tandrel.budgets[0]!, limitMilliamps: 100 }] };
    const sent = begin(lessFeed);
    fireEvent.click(await screen.findByRole("tab", { name: "Jobs" }));
    fireEvent.click(await screen.findByRole("button", { name: "What would revision 2 do to it?" }));
    expect(await screen.findByText(/: 374 mA opening, against a limit of 100 mA/)).toBeTruthy();
    expect(sent.filter(({ method }) => method !== "GET")).toEqual([]);
    fireEvent.click(screen.getByRole("button", { name: "Take revision 2" }));
    await waitFor(() => expect(sent.map(({ method }) => method)).toContain("PUT"));
    const put = sent.find(({ method }) => method === "PUT")!;
    expect(put.body).toMatchObject({ id: "netloft", board: { id: "quillmarsh-tandrel", revision: 2 } });
    // The list is read anew.
    const lists = () => sent.filter(({ address }) => address === "/api/boards/quillmarsh-tandrel/jobs");
    await waitFor(() => expect(lists()).toHaveLength(2));
  });

  test("notes on parts that are gone are dropped, and cores that move are named", async () => {
    const noted = netloft();
    noted.job.found.links = { "link-edge": "in" };
    const moved: BoardProfile = {
      ...tandrel,
      revision: 2,
      links: tandrel.links.filter((link) => link.id !== "link-edge"),
      inputs: tandrel.inputs.map((input) =>
        input.id === "edge"
          ? { ...input, link: undefined, off: undefined, guards: [], terminal: "C4" }
          : input,
      ),
    };
    moved.inputs = moved.inputs.filter((input) => input.id !== "open");
    const { revisionEffect } = await import("@anvilcloud/core");
    const effect = revisionEffect(noted, moved);
    expect(effect.job.found.links).toEqual({});
    expect(effect.cores.added.some((text) => text.endsWith("to C4"))).toBe(true);
    expect(planJob({ ...noted, job: effect.job, board: moved }).wiring.cores.length).toBeGreaterThan(0);
  });
});

describe("two boards compared", () => {
  test("what differs stands there, what is alike only when asked for", async () => {
    serve({ "/api/boards": { boards, jobs: {} } });
    show("/boards/compare?a=furzel-slathorn&b=tarn-grellock");
    const table = await screen.findByRole("table");
    expect(within(table).getByText("Sliding gate")).toBeTruthy();
    expect(within(table).getByText("Rolling grille")).toBeTruthy();
    expect(within(table).queryByText("Leaves")).toBeNull();
    fireEvent.click(screen.getByRole("switch", { name: "Also what both have alike" }));
    expect(within(table).getAllByText("1 leaf")).toHaveLength(2);
  });

  test("asks for both sides first", async () => {
    serve({ "/api/boards": { boards, jobs: {} } });
    show("/boards/compare?a=furzel-slathorn");
    expect(await screen.findByText("Choose two boards to see in what they differ.")).toBeTruthy();
  });
});

describe("revisions", () => {
  const [tandrel] = boards as [BoardProfile];
  const key = `/api/boards/${tandrel.id}`;

  test("one that was written here is removed after asking once; what came with the program offers no removal", async () => {
    const revisions = [
      { revision: 2, origin: "own" },
      { revision: 1, origin: "retired" },
    ];
    const sent = serve({
      [key]: tandrel,
      [`${key}/revisions`]: { revisions },
      [`${key}/jobs`]: { jobs: [] },
    });
    show(`/boards/${tandrel.id}`);
    fireEvent.click(await screen.findByRole("tab", { name: "Jobs" }));
    await screen.findByText(/^Revision 1, came with an earlier version/);
    expect(screen.getAllByRole("button", { name: /^Remove/ })).toHaveLength(1);
    fireEvent.click(screen.getByRole("button", { name: "Remove revision 2" }));
    expect(sent.some(({ method }) => method === "DELETE")).toBe(false);
    fireEvent.click(screen.getByRole("button", { name: "Remove it for good" }));
    await waitFor(() =>
      expect(sent).toContainEqual(
        expect.objectContaining({ method: "DELETE", address: `${key}?revision=2` }),
      ),
    );
  });
});
