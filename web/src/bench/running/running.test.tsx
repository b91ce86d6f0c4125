import { act, cleanup, fireEvent, screen, within } from "@testing-library/react";
import { LiveProvider } from "../../planner/index.ts";
import { createLive } from "../../planner/live/host.ts";
import { netloft, renderInJob } from "../../testing/bench.tsx";
import { createClock } from "../../testing/clock.ts";
import { LiveBench } from "./live-bench.tsx";

afterEach(cleanup);

/** The bench of the demo job, running on a clock that the test lets go on. */
async function bench(from: "done" | "wired" = "done") {
  const { clock, passes } = createClock();
  const bundle = netloft();
  const given = { kind: "job", bundle } as const;
  const made = () => createLive(clock);
  await renderInJob(
    bundle,
    <LiveProvider value={made}>
      <LiveBench given={given} from={from} />
    </LiveProvider>,
  );
  await screen.findByRole("button", { name: "Pause" });
  const lets = async (seconds: number) => {
    await act(async () => {
      passes(seconds * 1_000);
      await new Promise((next) => requestAnimationFrame(next));
    });
  };
  return { lets };
}

const press = async (name: string) => {
  const button = screen.getByRole("button", { name });
  await act(async () => fireEvent.click(button));
};

describe("the live bench", () => {
  test("opens by its remote, to be read: how far, how fast, and that it opens", async () => {
    const { lets } = await bench();
    await press("Remote: press");
    await lets(6);
    expect(screen.getByText("The gate opens.", { selector: "strong" })).toBeTruthy();
    const readings = within(screen.getByRole("table", { name: "Readings of the leaves" }));
    const [, part] = within(readings.getAllByRole("row")[1]!)
      .getAllByRole("cell")
      .map((cell) => cell.textContent);
    expect(readings.getAllByRole("cell")[0]!.textContent).toMatch(/^[1-9]\d* %$/);
    expect(part).toMatch(/mm\/s$/);
    expect(screen.getByLabelText("Time on the bench").textContent).toMatch(/^0:0[56]/);
  });

  test("a switch on the face flips when it is touched, and a link goes in or out", async () => {
    await bench("wired");
    const was = screen.getAllByRole("img", { name: /^Switch / })[0]!;
    const [name] = was.getAttribute("aria-label")!.split(",");
    const flips = was.getAttribute("aria-label")!.endsWith("on") ? "off" : "on";
    await act(async () => fireEvent.click(was));
    expect(screen.getByRole("img", { name: `${name}, ${flips}` })).toBeTruthy();
    const link = screen.getAllByRole("img", { name: /^Link / })[0]!;
    const label = link.getAttribute("aria-label")!;
    const other = label.endsWith(", in") ? label.replace(/in$/, "out") : label.replace(/out$/, "in");
    await act(async () => fireEvent.click(link));
    expect(screen.getByRole("img", { name: other })).toBeTruthy();
  });

  test("stands still, and runs on to the next thing that happens", async () => {
    const { lets } = await bench();
    await press("Pause");
    const time = () => screen.getByLabelText("Time on the bench").textContent;
    await lets(1);
    const stood = time();
    await lets(2);
    expect(time()).toBe(stood);
    await press("Remote: press");
    await press("Next event");
    await lets(0.1);
    expect(screen.getAllByText("The gate opens.").length).toBeGreaterThan(0);
  });

  test("a core is taken off, put on another terminal and put back; the board and its drawing follow", async () => {
    const { lets } = await bench("done");
    await press("Remote: press");
    await lets(1);
    await act(async () => fireEvent.click(screen.getByRole("tab", { name: "Wiring" })));
    const chooses = async (name: RegExp, option: RegExp) => {
      await act(async () => fireEvent.click(screen.getByRole("button", { name })));
      await act(async () => fireEvent.click(screen.getByRole("option", { name: option })));
    };
    const beam = () => screen.getByRole("img", { name: /^Lamp BEAM/ }).getAttribute("aria-label");
    await chooses(/Core$/, /Photocell, quay side: BK \(contact a\)/);
    expect(screen.getByText("It sits on P3.")).toBeTruthy();
    expect(beam()).toMatch(/lit$/);
    await press("Take it off");
    await lets(0.5);
    expect(screen.getByText("It is off.")).toBeTruthy();
    expect(beam()).toMatch(/dark$/);
    await chooses(/Terminal$/, /^P3/);
    await press("Put it there");
    await lets(0.5);
    expect(beam()).toMatch(/lit$/);
    await chooses(/Terminal$/, /^C3/);
    await press("Put it there");
    await lets(0.5);
    expect(screen.getByText("It sits on C3.")).toBeTruthy();
    expect(beam()).toMatch(/dark$/);
    await press("Back where it belongs");
    await lets(0.5);
    expect(screen.getByText("It sits on P3.")).toBeTruthy();
    expect(beam()).toMatch(/lit$/);
  });

  test("wind that blows is drawn with its speed, and a lock with whether it holds", async () => {
    const { lets } = await bench("done");
    await lets(0.2);
    expect(screen.getByText(/^(un)?locked$/)).toBeTruthy();
    await act(async () => fireEvent.click(screen.getByRole("tab", { name: "Faults" })));
    await act(async () => fireEvent.click(screen.getByRole("button", { name: /What is wrong$/ })));
    await act(async () =>
      fireEvent.click(screen.getByRole("option", { name: "Wind blows on the closed leaf" })),
    );
    await act(async () => fireEvent.click(screen.getByRole("button", { name: /Where$/ })));
    await act(async () => fireEvent.click(screen.getByRole("option", { name: "20 m/s" })));
    await press("Put it in");
    expect(screen.getByText("wind 20 m/s")).toBeTruthy();
  });

  test("leads step by step where it begins wired, and tells what keeps a step", async () => {
    const { lets } = await bench("wired");
    const card = within(screen.getByRole("region", { name: "Step by step" }));
    expect(card.getByText(/^Step 1 of \d+: /)).toBeTruthy();
    await act(async () => fireEvent.click(screen.getByRole("img", { name: /^Switch S6/ })));
    await lets(0.2);
    expect(card.getByText(/^S6 stands at/)).toBeTruthy();
  });

  test("a fault is put in by name, and taken out again", async () => {
    await bench();
    await act(async () => fireEvent.click(screen.getByRole("tab", { name: "Faults" })));
    await press("Hide one");
    expect(screen.getByText(/Something is wrong/)).toBeTruthy();
    await press("Tell me");
    expect(screen.queryByText(/Something is wrong/)).toBeNull();
    await press("Nothing is wrong");
    expect(screen.getByText("Nothing is wrong.")).toBeTruthy();
  });
});
