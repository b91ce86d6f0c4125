import { answerStep, planJob, type LogEntry, type Step } from "@anvilcloud/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, netloft, renderInJob } from "../testing/bench.tsx";
import { StationRail } from "./job/station-rail.tsx";
import { Component as RecordPage } from "./record/record-page.tsx";
import { SetPlan } from "./set/set-plan.tsx";
import { HandOver } from "./steps/hand-over.tsx";
import { WirePlan } from "./wire/wire-plan.tsx";

afterEach(cleanup);

/** The log of a job whose first steps were seen, up to those `until` is true for. */
function logUntil(until: (step: Step) => boolean): LogEntry[] {
  const { sheet } = planJob(netloft());
  return sheet
    .slice(0, sheet.findIndex(until))
    .map((step, at) =>
      answerStep(step, "seen", { id: `e${at}`, at: "2026-11-24T09:00:00.000Z", by: "Ivet" }),
    );
}

describe("the stations", () => {
  test("each says whether it is settled, open or blocked, and why", async () => {
    const [first] = planJob(netloft()).sheet;
    const failed = { ...answerStep(first!, "not-seen", { id: "x", at: "2026-11-24T09:00:00.000Z", by: "" }) };
    const { statuses } = planJob(netloft([failed]));
    await renderInJob(netloft(), <StationRail job="netloft" statuses={statuses} />);
    const wire = screen.getByRole("link", { name: "Wire, blocked, 0 of 18" });
    expect(wire.getAttribute("title")).toBe("Not seen: Isolate and mark the breaker.");
    expect(screen.getByRole("link", { name: /^Travel, blocked/ }).getAttribute("title")).toMatch(
      /^First: the board must have power/,
    );
    expect(screen.getByRole("link", { name: "Hand over, open, 0 of 3" })).toBeTruthy();
  });

  test("one without a step is not ticked off: there is nothing to do", async () => {
    const statuses = planJob(netloft()).statuses.map((each) => ({
      ...each,
      state: "settled" as const,
      total: 0,
    }));
    await renderInJob(netloft(), <StationRail job="netloft" statuses={statuses} />);
    expect(screen.getByRole("link", { name: "Remotes, nothing to do" }).textContent).toBe("Remotes");
  });
});

describe("the plan of the wiring", () => {
  test("links that move come first; each rail opens to its working; every core stands in the list", async () => {
    await renderInJob(netloft(), <WirePlan />);
    const links = within(screen.getByRole("table", { name: "Links" })).getAllByRole("row");
    expect(links.map((row) => row.textContent)).toContain(
      "P1–P3take outPhotocell, quay side takes its place at Photocell.",
    );
    expect(screen.getByText(/374 mA of 550 mA, 176 mA to spare/)).toBeTruthy();
    expect(screen.getByRole("img", { name: "68 % of the limit" })).toBeTruthy();
    const { cores, devices } = planJob(netloft()).wiring;
    const list = screen.getByRole("table", { name: "Wire list" });
    expect(
      within(list)
        .getAllByRole("row")
        .filter((row) => row.dataset.lit),
    ).toHaveLength(cores.length);
    // Each stands under its cable, which says how long and how thick it is.
    const heads = within(list)
      .getAllByRole("rowheader")
      .map(({ textContent }) => textContent);
    for (const { name } of devices.filter(({ profile }) => profile.pins.length))
      expect(heads.some((head) => head?.startsWith(name))).toBe(true);
    expect(heads).toContainEqual(
      expect.stringMatching(/^Photocell, quay side, receiver · \d+ m · [\d.]+ mm²$/),
    );
  });

  test("pointing at a core lights its device's other cores; a click keeps them lit", async () => {
    await renderInJob(netloft(), <WirePlan />);
    const { cores } = planJob(netloft()).wiring;
    const rows = within(screen.getByRole("table", { name: "Wire list" }))
      .getAllByRole("row")
      .filter((row) => row.dataset.lit);
    const litOf = () => rows.filter((row) => row.dataset.lit === "true");
    const photocell = cores.filter(({ deviceName }) => deviceName === "Photocell, quay side");
    const row = rows[cores.indexOf(photocell[0]!)]!;
    await userEvent.hover(row);
    expect(litOf().length).toBeGreaterThanOrEqual(photocell.length);
    const lit = litOf().length;
    await userEvent.click(row);
    await userEvent.unhover(row);
    expect(litOf()).toHaveLength(lit);
    await userEvent.click(row);
    await userEvent.unhover(row);
    expect(litOf()).toHaveLength(0);
  });
});

test("the plan of the controls: what must change stands before what is right, with what rounding costs", async () => {
  await renderInJob(netloft(), <SetPlan />);
  const headings = screen.getAllByRole("heading", { level: 2 }).map((each) => each.textContent);
  expect(headings).toEqual(["To change", "Already right"]);
  expect(screen.getByText(/Automatic closing after: 31.3 s, wanted 30 s/)).toBeTruthy();
  expect(screen.getByText("found 7:30, 0 %")).toBeTruthy();
});

describe("hand-over and record", () => {
  test("a name is asked for before the job is handed over", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <HandOver />);
    await userEvent.click(screen.getByRole("button", { name: "Hand over" }));
    await screen.findByText("Give the name of who takes it over.");
    expect(sent).toEqual([]);
    await userEvent.type(screen.getByRole("textbox", { name: "Taken over by" }), "Perrin Astlethwaite");
    await userEvent.click(screen.getByRole("button", { name: "Hand over" }));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({
        kind: "handed-over",
        to: "Perrin Astlethwaite",
        by: "Ivet Carrandine",
      }),
    );
  });

  test("handed over, it says to whom, and asks for nobody until it is opened again", async () => {
    const at = "2026-11-24T09:00:00.000Z";
    const over = { kind: "handed-over", id: "h", at, by: "", to: "Perrin Astlethwaite" } as const;
    await renderInJob(netloft([over]), <HandOver />);
    expect(screen.getByText(/^Handed over to Perrin Astlethwaite, /)).toBeTruthy();
    expect(screen.queryByRole("textbox")).toBeNull();
  });

  test("the record tells what was found, planned and left, and what is still open", async () => {
    await renderInJob(netloft(logUntil((step) => step.id.startsWith("set:V3"))), <RecordPage />);
    const settings = within(screen.getByRole("table", { name: "Settings" }));
    const cells = (name: RegExp) => settings.getByRole("row", { name }).textContent;
    expect(cells(/^PUSH/)).toBe("PUSH (V2)7:3011:1511:15");
    expect(cells(/^PAIR/)).toBe("PAIR (V3)7:009:457:00");
    expect(cells(/^Link P1–P3/)).toBe("Link P1–P3inoutout");
    expect(screen.getByRole("heading", { name: /^Still open: \d+ steps$/ })).toBeTruthy();
    expect(screen.getByText(/not yet/)).toBeTruthy();
    expect(screen.getByText(/Mains kills\./)).toBeTruthy();
  });
});
