import { jest } from "@jest/globals";
import { planJob, answerStep } from "@anvilcloud/core";
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import type { SaveState } from "../../data/index.ts";
import { fakeServer, netloft, renderInJob } from "../../testing/bench.tsx";
import { useShortcuts } from "../../ui/index.ts";
import { Component as StationPage } from "../steps/station-page.tsx";
import { Component as SurveyPage } from "../survey/survey-page.tsx";
import { ClosedNotice } from "./closed-notice.tsx";
import { Conflict } from "./conflict.tsx";
import { DangerBar } from "./danger-bar.tsx";
import { RunFindings } from "./run-findings.tsx";
import { SaveMark } from "./save-mark.tsx";
import { ShortcutHelp } from "./shortcut-help.tsx";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe("the save mark", () => {
  const nothing = () => {};
  const words = (save: SaveState) => {
    render(<SaveMark save={save} retry={nothing} />);
    const text = screen.getByRole("status").textContent;
    cleanup();
    return text;
  };
  const { job, board, devices } = netloft();

  test("says in words how the last change stands", () => {
    expect(words({ kind: "saved" })).toBe("All saved");
    expect(words({ kind: "saved", at: Date.UTC(2026, 10, 24, 10, 0, 0) })).toMatch(/^Saved \d\d:00:00$/);
    expect(words({ kind: "saving" })).toBe("Saving");
    expect(words({ kind: "refused", message: "title: too long." })).toBe("Not saved. title: too long.");
    expect(words({ kind: "conflict", current: { version: 2, job, board, devices }, yours: job })).toMatch(
      /changed elsewhere/,
    );
  });

  test("offers to send again only what got no answer", async () => {
    const retry = jest.fn();
    render(<SaveMark save={{ kind: "unsent", message: "No answer." }} retry={retry} />);
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(retry).toHaveBeenCalledTimes(1);
    cleanup();
    render(<SaveMark save={{ kind: "refused", message: "no" }} retry={retry} />);
    expect(screen.queryByRole("button")).toBeNull();
  });
});

test("a conflict shows both versions place by place, and cannot be waved away", async () => {
  const { job, board, devices } = netloft();
  const theirs = { ...job, survey: { ...job.survey, notes: "hinge dry" } };
  const mine = { ...job, survey: { ...job.survey, notes: "windy" }, installer: "Joss" };
  const settle = jest.fn();
  const current = { version: 4, job: theirs, board, devices };
  render(<Conflict conflict={{ kind: "conflict", current, yours: mine }} mine={mine} settle={settle} />);
  const rows = screen.getAllByRole("row").map((row) => row.textContent);
  expect(rows).toEqual(
    expect.arrayContaining(["survey › noteshinge drywindy", "installerIvet CarrandineJoss"]),
  );
  await userEvent.keyboard("{Escape}");
  expect(screen.getByRole("dialog")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Take the saved one" }));
  await userEvent.click(screen.getByRole("button", { name: "Save mine over it" }));
  expect(settle.mock.calls).toEqual([["theirs"], ["mine"]]);
});

test("single keys can be turned off, and stay off", async () => {
  const act = jest.fn();
  function Keys() {
    useShortcuts({ s: act });
    return <ShortcutHelp isOpen={false} onClose={() => {}} />;
  }
  render(<Keys />);
  await userEvent.keyboard("s");
  expect(act).toHaveBeenCalledTimes(1);
  cleanup();
  render(<ShortcutHelp isOpen onClose={() => {}} />);
  await userEvent.click(screen.getByRole("switch", { name: "Single keys act" }));
  cleanup();
  render(<Keys />);
  await userEvent.keyboard("s");
  expect(act).toHaveBeenCalledTimes(1);
});

describe("a station", () => {
  const show = (address: string, log = netloft().log) =>
    renderInJob(
      netloft(log),
      <>
        <DangerBar />
        <ClosedNotice />
        <Routes>
          <Route path="/jobs/:id/survey" element={<SurveyPage />} />
          <Route path="/jobs/:id/:station/:step?" element={<StationPage />} />
          <Route path="*" element={<p>elsewhere</p>} />
        </Routes>
      </>,
      address,
    );

  test("tells what a run of the job shows, with the way to the moment to look at", async () => {
    const heavy = netloft();
    for (const leaf of heavy.job.survey.leaves) leaf.massKg = 3_000;
    heavy.job.wishes = { ...heavy.job.wishes, force: 15 };
    await renderInJob(heavy, <RunFindings />);
    const list = await screen.findByRole("list", { name: "What a run of this job shows" });
    expect(list.textContent).toMatch(
      /Run as planned, the gate turns back by itself\..*pushes against something/,
    );
    const look = within(list).getByRole("link", { name: /^Look at it, \d+ s after it begins$/ });
    expect(look.getAttribute("href")).toMatch(/^\/jobs\/netloft\/live\?at=\d+\.\d$/);
    cleanup();
    await renderInJob(netloft(), <RunFindings />);
    expect(screen.queryByRole("list", { name: "What a run of this job shows" })).toBeNull();
  });

  test("shows its plan first where it has one, its steps where it has none", async () => {
    await show("/jobs/netloft/wire");
    expect(screen.getByRole("table", { name: "Wire list" })).toBeTruthy();
    expect(screen.queryByRole("list", { name: "Steps" })).toBeNull();
    cleanup();
    await show("/jobs/netloft/travel");
    expect(screen.getByRole("list", { name: "Steps" })).toBeTruthy();
    expect(screen.getByText(/Waits for earlier work/)).toBeTruthy();
  });

  test("tells what was passed over at the board, with what to do", async () => {
    const { sheet } = planJob(netloft());
    const end = sheet.findIndex((step) => step.id === "do:power-up:on");
    const log = sheet
      .slice(0, end + 1)
      .filter((step) => step.id !== "link:link-beam:out")
      .map((step, at) => answerStep(step, "seen", { id: `e${at}`, at: "2026-11-24T09:00:00.000Z", by: "" }));
    for (const station of ["survey", "set", "remotes", "hand-over", "power-up/do%3Apower-up%3Aon"]) {
      await show(`/jobs/netloft/${station}`, log);
      const danger = screen.getByRole("list", { name: "Dangers of this job" });
      expect(danger.textContent).toContain("Danger. Link P1–P3 is still in beside Photocell, quay side.");
      expect(danger.textContent).toContain(
        "Take P1–P3 out, then trip Photocell, quay side and see lamp BEAM change.",
      );
      // Told once on a page.
      expect(document.body.textContent.match(/Link P1–P3 is still in/g)?.length).toBeLessThanOrEqual(2);
      cleanup();
    }
  });

  test("a job that was handed over takes no answer until it is opened again with a reason", async () => {
    const { sent } = fakeServer();
    const over = {
      kind: "handed-over",
      id: "h",
      at: "2026-11-24T09:00:00.000Z",
      by: "",
      to: "Perrin",
    } as const;
    await show("/jobs/netloft/wire/isolate%3Abreaker", [over]);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Handed over" }).disabled).toBe(true);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Not seen" }).disabled).toBe(true);
    await userEvent.keyboard("sn");
    await userEvent.click(screen.getByRole("button", { name: "Open it again…" }));
    await userEvent.click(screen.getByRole("button", { name: "Open it again" }));
    await screen.findByText("Write the reason first.");
    await userEvent.type(screen.getByRole("textbox", { name: /Why it is opened/ }), "a photocell died");
    await userEvent.click(screen.getByRole("button", { name: "Open it again" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ kind: "reopened", reason: "a photocell died" });
  });

  test("a step that the plan no longer has is said to be gone; a station that never was leads away", async () => {
    await show("/jobs/netloft/wire/gone");
    expect(screen.getByText(/no longer part of it/)).toBeTruthy();
    cleanup();
    await show("/jobs/netloft/nowhere");
    expect(screen.getByText("elsewhere")).toBeTruthy();
  });
});
