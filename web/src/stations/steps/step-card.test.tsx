import {
  gatesBefore,
  metric,
  planJob,
  showPlan,
  type LogEntry,
  type Step,
  type StepEntry,
} from "@anvilcloud/core";
import { jest } from "@jest/globals";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useJobBench } from "../../data/index.ts";
import { fakeServer, netloft, renderInJob, settled } from "../../testing/bench.tsx";
import { setUnits } from "../../ui/index.ts";
import { UnstoredAnswers } from "../job/unstored.tsx";
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
      <UnstoredAnswers />
      <StepCard step={step} steps={steps} />
      <StepList list={steps.of(step.station)} steps={steps} current={step.id} />
    </>
  );
}

afterEach(cleanup);

/** A log that passes every gate before the first step of this id, for a reason. */
function passAll(start: string): LogEntry[] {
  const plan = showPlan(planJob(netloft()));
  const step = plan.sheet.find((each) => each.id.startsWith(start))!;
  const gates = gatesBefore({ ...plan, readings: plan.layers.now.face.readings }, step);
  if (!gates.length) return [];
  const entry = { id: "p1", at: "2026-11-20T07:00:00.000Z", by: "Ivet Carrandine", reason: "a test" };
  return [{ ...entry, kind: "gate-passed", gates: gates.map(({ id, what }) => ({ id, what })) }];
}

const address = () => screen.getByTestId("address").textContent;
const posted = (sent: { method: string; body: unknown }[]) =>
  sent.filter((each) => each.method === "POST").map((each) => each.body as StepEntry);

describe("the step card", () => {
  test("seen: the entry carries what the step does, and the next open step follows", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(passAll("set:V2")), <Card start="set:V2" />);
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
    await renderInJob(netloft(passAll("set:V2")), <Card start="set:V2" />);
    await userEvent.dblClick(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() => expect(address()).toContain("set%3AV3"));
    expect(posted(sent)).toHaveLength(1);
  });

  test("not seen: the entry changes nothing at the board, and what it may mean opens", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="do:power-up:on" />);
    await userEvent.click(screen.getByRole("button", { name: "Not seen" }));
    expect(posted(sent)[0]).toMatchObject({ outcome: "not-seen", effects: [] });
    await screen.findByRole("list", { name: "What would look like it" });
  });

  test("what a missing sight may mean comes into view as it is answered, and not where it was answered before", async () => {
    const brought = jest.fn();
    const { scrollIntoView } = HTMLElement.prototype;
    HTMLElement.prototype.scrollIntoView = brought;
    fakeServer();
    await renderInJob(netloft(), <Card start="do:power-up:on" />);
    await userEvent.click(screen.getByRole("button", { name: "Not seen" }));
    await screen.findByRole("list", { name: "What would look like it" });
    await waitFor(() => expect(brought).toHaveBeenCalledTimes(1));
    // Folded and opened again by hand, the page stays where it is.
    const opener = screen.getByText("If you do not see it");
    await userEvent.click(opener);
    await userEvent.click(opener);
    await settled();
    expect(brought).toHaveBeenCalledTimes(1);
    HTMLElement.prototype.scrollIntoView = scrollIntoView;
  });

  test("not seen: each lamp is tapped to what was seen instead, and only what would look so is left, with what to do", async () => {
    fakeServer();
    await renderInJob(netloft(), <Card start="do:power-up:on" />);
    await userEvent.click(screen.getByRole("button", { name: "Not seen" }));
    const list = () => screen.findByRole("list", { name: "What would look like it" });
    const told = async () =>
      within(await list())
        .getAllByRole("listitem")
        .map(({ textContent }) => textContent);
    await screen.findByText(/single faults found that would show in this step/);
    expect((await told()).some((text) => text.includes("Edge, harbour leaf"))).toBe(true);
    // Lit, blinking, dark.
    for (const now of ["not told", "lit", "blinking"])
      await userEvent.click(screen.getByRole("button", { name: `BEAM ${now}` }));
    const left = await told();
    expect(left.length).toBeGreaterThan(1);
    for (const text of left) expect(text).toContain("Photocell, quay side");
    expect(left[0]).toMatch(/BEAM is dark\..*(With the power off|Wipe both lenses)/);
    expect(screen.getByText(/single faults found that would look like it here/)).toBeTruthy();
    // One more tap, and nothing is told of it.
    await userEvent.click(screen.getByRole("button", { name: "BEAM dark" }));
    expect(screen.getByRole("button", { name: "BEAM not told" })).toBeTruthy();
  });

  test("what should be seen tells the movement with its seconds, and what a button lights while it is pressed", async () => {
    fakeServer();
    await renderInJob(netloft(), <Card start="prove:key/turned:step:command" />);
    const see = await screen.findByRole("list", { name: "You should now see" });
    expect(see.textContent).toMatch(/STEP lit.*C2 closed through Key switch/);
    expect(see.textContent).toMatch(/The overlapping leaf opens for \d+ s and stands fully open\./);
    expect(screen.getByRole("button", { name: "Show how it moves" })).toBeTruthy();
  });

  test("an answer that cannot be stored is told wherever one has gone, with all it carries, and is sent again", async () => {
    const { state, sent } = fakeServer();
    state.failing = true;
    await renderInJob(netloft(passAll("set:V2")), <Card start="set:V2" />);
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "stiff");
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await screen.findByText("save: refused");
    // The card led on at once: the answer belongs to the step it was given on.
    expect(address()).toContain("set%3AV3");
    await screen.findByText("An answer of yours is not stored.");
    expect(screen.getByText("seen, “stiff”")).toBeTruthy();
    state.failing = false;
    await userEvent.click(screen.getByRole("button", { name: "Send it again" }));
    await waitFor(() => expect(screen.queryByText("An answer of yours is not stored.")).toBeNull());
    expect(posted(sent)).toEqual([
      expect.objectContaining({ step: "set:V2:11:15", outcome: "seen", note: "stiff" }),
    ]);
  });

  test("someone else's answer stands beside mine: theirs is left, or mine is given after it", async () => {
    const theirs = {
      id: "a1",
      kind: "step",
      outcome: "not-seen",
      by: "Perrin",
      at: "2026-11-20T08:00:00.000Z",
    };
    const { sent, state } = fakeServer();
    await renderInJob(netloft(passAll("set:V2")), <Card start="set:V2" />);
    state.refusing = { status: 409, body: { title: "Answered elsewhere", theirs } };
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await screen.findByText("Answered elsewhere meanwhile.");
    expect(screen.getByText("not seen")).toBeTruthy();
    state.refusing = undefined;
    await userEvent.click(screen.getByRole("button", { name: "Add mine after it" }));
    await waitFor(() => expect(posted(sent).at(-1)?.drawnFrom?.knows).toBe("a1"));
    expect(screen.queryByText("Answered elsewhere meanwhile.")).toBeNull();
  });

  test("a reading over its limit is told in the units it is written in", async () => {
    setUnits({ system: "imperial", conductors: "awg" });
    try {
      await renderInJob(netloft(passAll("force")), <Card start="force:300" />);
      await userEvent.type(screen.getByRole("textbox", { name: /^Second peak force .*, lbf$/ }), "102");
      await userEvent.tab();
      await screen.findByText(/^10[12][\d.]* lbf measured, at most [\d.]+ lbf allowed/);
    } finally {
      act(() => setUnits(metric));
    }
  });

  test("every reading has its field; one over its limit is told there and not taken as seen", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(passAll("force")), <Card start="force:300" />);
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    expect(await screen.findAllByText("Write the reading first.")).toHaveLength(3);
    const write = async (blow: string, value: string) => {
      const field = screen.getByRole("textbox", { name: `${blow} peak force at 300 mm, N` });
      await userEvent.clear(field);
      await userEvent.type(field, value);
      await userEvent.tab();
    };
    await write("First", "310");
    await write("Second", "455");
    await write("Third", "0");
    await screen.findByText(/455 N measured, at most 400 N allowed/);
    await screen.findByText(/0 N measured, at least 1 N allowed/);
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    expect(posted(sent)).toEqual([]);
    await write("Second", "298");
    await write("Third", "305");
    await userEvent.click(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() =>
      expect(posted(sent)[0]?.readings?.map(({ quantity, value }) => [quantity, value])).toEqual([
        ["first peak force at 300 mm", 310],
        ["second peak force at 300 mm", 298],
        ["third peak force at 300 mm", 305],
      ]),
    );
  });

  test("a step behind a gate takes no seen and says why; a written reason opens it and is kept", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Card start="wire:edge" />);
    expect(screen.getByText("Not done yet: Isolate and mark the breaker.")).toBeTruthy();
    const seen = screen.getByRole<HTMLButtonElement>("button", { name: "Waits" });
    expect(seen.disabled).toBe(true);
    await userEvent.keyboard("s");
    expect(posted(sent)).toEqual([]);
    await userEvent.click(screen.getByRole("button", { name: "Go on all the same…" }));
    await userEvent.click(screen.getByRole("button", { name: "Go on with this reason" }));
    await screen.findByText("Write the reason first.");
    await userEvent.type(screen.getByRole("textbox", { name: /Why you go on/ }), "main switch locked");
    await userEvent.click(screen.getByRole("button", { name: "Go on with this reason" }));
    await waitFor(() =>
      expect(posted(sent)[0]).toMatchObject({
        kind: "gate-passed",
        reason: "main switch locked",
        by: "Ivet Carrandine",
        gates: [
          { what: "Not done yet: Isolate and mark the breaker." },
          { what: "Not done yet: Disconnect the battery, prove dead." },
        ],
      }),
    );
  });

  test("keys answer, but not while someone types", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(passAll("set:V2")), <Card start="set:V2" />);
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
