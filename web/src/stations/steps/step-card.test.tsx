import type { Step, StepEntry } from "@anvilcloud/core";
import { jest } from "@jest/globals";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useJobBench } from "../../data/index.ts";
import { fakeServer, netloft, renderInJob } from "../../testing/bench.tsx";
import { HoldTimer } from "./hold-timer.tsx";
import { StepCard } from "./step-card.tsx";
import { StepList } from "./step-list.tsx";
import { useSteps } from "./use-steps.ts";

function Card({ start }: { start: string }) {
  const steps = useSteps();
  const { save } = useJobBench();
  const step = steps.all.find((each) => each.id.startsWith(start)) as Step;
  return (
    <>
      <p>save: {save.kind}</p>
      <StepCard step={step} steps={steps} />
      <StepList list={steps.of(step.station)} steps={steps} current={step.id} />
    </>
  );
}

afterEach(cleanup);
const address = () => screen.getByTestId("address").textContent;
const posted = (sent: { method: string; body: unknown }[]) =>
  sent.filter((each) => each.method === "POST").map((each) => each.body as StepEntry);

describe("the step card", () => {
  test("seen: the entry carries what the step does, and the next open step follows", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="set:V2" />);
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "stiff");
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() => expect(address()).toContain("set%3AV3"));
    expect(posted(sent)).toHaveLength(1);
    expect(posted(sent)[0]).toMatchObject({
      kind: "step",
      step: "set:V2:11:15",
      outcome: "seen",
      note: "stiff",
      by: "Ivet Carrandine",
      effects: [{ kind: "dials", to: { V2: "11:15" } }],
    });
  });

  test("answered twice in a hurry, a step has one entry", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="set:V2" />);
    await userEvent.dblClick(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() => expect(address()).toContain("set%3AV3"));
    expect(posted(sent)).toHaveLength(1);
  });

  test("not seen: the entry changes nothing at the board, and what it may mean opens", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="do:power-up:on" />);
    await userEvent.click(screen.getByRole("button", { name: "Not seen" }));
    await screen.findByText("Stop, boat store: the button is pressed in.");
    expect(posted(sent)[0]).toMatchObject({ outcome: "not-seen", effects: [] });
  });

  test("an answer that cannot be stored stays on the card, and says so", async () => {
    const { state } = fakeServer();
    state.failing = true;
    await renderInJob(netloft(), <Card start="set:V2" />);
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "stiff");
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await screen.findByText("save: refused");
    expect(address()).toBe("/");
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: "Note" }).value).toBe("stiff");
  });

  test("a reading is asked for, and one over its limit is not taken as seen", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="force:300" />);
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await screen.findByText("Write the reading first.");
    const reading = screen.getByRole("textbox", { name: "Peak force at 300 mm, N" });
    await userEvent.type(reading, "455");
    await userEvent.tab();
    await screen.findByText(/455 N measured, at most 400 N allowed/);
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    expect(posted(sent)).toEqual([]);
    await userEvent.clear(reading);
    await userEvent.type(reading, "310");
    await userEvent.tab();
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() =>
      expect(posted(sent)[0]?.reading).toEqual({ quantity: "peak force at 300 mm", value: 310, unit: "N" }),
    );
  });

  test("keys answer, but not while someone types", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="set:V2" />);
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "sn");
    expect(posted(sent)).toEqual([]);
    await userEvent.click(document.body);
    await userEvent.keyboard("n");
    await waitFor(() => expect(posted(sent)).toHaveLength(1));
  });

  test("the cores of a wiring step stand with colour, code and terminal", async () => {
    fakeServer();
    await renderInJob(netloft(), <Card start="wire:edge" />);
    const rows = screen.getAllByRole("row").map((row) => row.textContent);
    expect(rows).toEqual(["PinCoreTo", "contact aWHP4", "contact bBNP5"]);
  });
});

describe("a hold", () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  test("counts down from its seconds and ends in words; it can be stopped before", async () => {
    const user = userEvent.setup({ advanceTimers: (ms) => jest.advanceTimersByTime(ms) });
    await renderInJob(netloft(), <HoldTimer seconds={3} keyLabel="TAKE" />);
    await user.click(screen.getByRole("button", { name: "Time 3 s" }));
    act(() => void jest.advanceTimersByTime(1_500));
    expect(screen.getByRole("progressbar").getAttribute("aria-valuenow")).toBe("2");
    await user.click(screen.getByRole("button", { name: "Stop" }));
    act(() => void jest.advanceTimersByTime(5_000));
    expect(screen.queryByRole("alert")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Time 3 s" }));
    act(() => void jest.advanceTimersByTime(3_200));
    expect(screen.getByRole("alert").textContent).toBe("Let go");
  });
});
