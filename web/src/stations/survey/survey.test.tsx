import { assumedLeaf, metric, quantityText, type Job } from "@anvilcloud/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, jobOn, netloft, renderInJob, type Sent } from "../../testing/bench.tsx";
import { DoneNotices, forgetDone, setUnits } from "../../ui/index.ts";
import { DevicesForm } from "./devices-form.tsx";
import { FoundForm } from "./found-form.tsx";
import { GateForm } from "./gate-form.tsx";
import { SiteForm } from "./site-form.tsx";
import { WaysForm } from "./ways-form.tsx";
import { WishesForm } from "./wishes/wishes-form.tsx";

// Forms settle by themselves once typing rests, outside what a test awaits.
beforeAll(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));
afterEach(cleanup);
afterEach(forgetDone);
const jobs = (sent: Sent[]) => sent.filter((each) => each.method === "PUT").map((each) => each.body as Job);

async function choose(button: HTMLElement, option: string) {
  await userEvent.click(button);
  // By its text within the list: computing the names of fifty options takes a second.
  await userEvent.click(within(await screen.findByRole("listbox")).getByText(option));
}

describe("the survey saves itself", () => {
  test("typing is saved once it rests, from the version that was read", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <SiteForm />);
    const town = screen.getByRole("textbox", { name: "Town" });
    await userEvent.clear(town);
    await userEvent.type(town, "Saltreath Haven");
    await waitFor(() => expect(jobs(sent)).toHaveLength(1));
    expect(jobs(sent)[0]?.site.town).toBe("Saltreath Haven");
    expect(sent[0]?.headers["If-Match"]).toBe('"1"');
  });

  test("what the format refuses stays on screen with its reason and is not saved", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <SiteForm />);
    const title = screen.getByRole("textbox", { name: "Title" });
    await userEvent.clear(title);
    await screen.findByText("a title");
    await userEvent.type(title, "Netloft");
    // The first thing sent is the whole title: the empty one was held back.
    await waitFor(() => expect(jobs(sent).at(-1)?.title).toBe("Netloft"));
    expect(jobs(sent).map((job) => job.title)).not.toContain("");
  });

  test("one leaf in place of two: the drives move with it", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <GateForm />);
    await userEvent.click(screen.getByRole("radio", { name: "One leaf" }));
    await waitFor(() => expect(jobs(sent)).toHaveLength(1));
    expect(jobs(sent)[0]?.survey.leaves.map((leaf) => leaf.id)).toEqual(["only"]);
    expect(jobs(sent)[0]?.devices.flatMap((device) => device.leaf ?? [])).toEqual(["only", "only"]);
  });

  test("how it learns is chosen among what the board can do", async () => {
    const { sent } = fakeServer();
    await renderInJob(jobOn("furzel-slathorn", []), <WaysForm />);
    await choose(
      screen.getByRole("button", { name: /Learns by/ }),
      "Learning from half-way by the first questions",
    );
    await waitFor(() => expect(jobs(sent).at(-1)?.chosen).toEqual(["learn-half-way"]));
  });

  test("when protections are proved is chosen", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <WaysForm />);
    await userEvent.click(screen.getByRole("radio", { name: "After" }));
    await waitFor(() => expect(jobs(sent).at(-1)?.proof).toBe("after"));
  });

  test("a wish can be set and dropped", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <WishesForm />);
    await choose(screen.getByRole("button", { name: /Photocell acts/ }), "on opening and closing");
    await waitFor(() => expect(jobs(sent).at(-1)?.wishes["photocell-reaction"]).toBe("both"));
    await choose(screen.getByRole("button", { name: /Soft stop$/ }), "leave as found");
    await waitFor(() => expect(jobs(sent).at(-1)?.wishes).not.toHaveProperty("soft-stop"));
  });

  test("a job begins with a preset, and what the site decides is overruled with one press", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <WishesForm />);
    await choose(screen.getByRole("button", { name: /Kind of installation/ }), "Public car park");
    await userEvent.click(screen.getByRole("button", { name: "Begin with it" }));
    await waitFor(() => expect(jobs(sent).at(-1)?.preset?.id).toBe("public-car-park"));
    expect(jobs(sent).at(-1)?.wishes["automatic-closing"]).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "Overrule: Leaves" }));
    await waitFor(() => expect(jobs(sent).at(-1)?.overruled).toEqual(["leaf-count"]));
  });

  test("what was found is noted on the face by keys, or typed; what the board cannot stand at is told and not saved", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <FoundForm />);
    const part = (name: RegExp) => screen.getByRole("img", { name });
    for (const name of [/^Link P1 to P3/, /^Switch S6/]) {
      part(name).focus();
      await userEvent.keyboard("{Enter}");
    }
    part(/^Dial REST/).focus();
    await userEvent.keyboard("+");
    const type = async (name: RegExp, text: string) => {
      const field = screen.getByRole("textbox", { name });
      await userEvent.clear(field);
      await userEvent.type(field, text);
    };
    await type(/PUSH/, "65 %");
    await type(/S1 to S6/, "10110");
    expect(screen.getByText(/Expected 6 times 0 or 1, found “10110”/)).toBeTruthy();
    await userEvent.click(screen.getByRole("switch", { name: "Everything stands here as it was found" }));
    await waitFor(() =>
      expect(jobs(sent).at(-1)?.found).toMatchObject({
        noted: true,
        links: { "link-beam": "out" },
        switches: { S6: "on" },
        dials: { V1: "9:15", V2: "1:21" },
      }),
    );
  });

  test("devices are found by what they do, added several at once, removed, and put back where they stood", async () => {
    const { sent } = fakeServer();
    await renderInJob(
      netloft(),
      <>
        <DevicesForm />
        <DoneNotices />
      </>,
    );
    const ids = () =>
      jobs(sent)
        .at(-1)
        ?.devices.map(({ id }) => id);
    const before = netloft().job.devices.map(({ id }) => id);
    await userEvent.click(screen.getByRole("button", { name: "Add devices" }));
    const dialog = within(await screen.findByRole("dialog"));
    await userEvent.type(dialog.getByRole("searchbox", { name: "Find a device" }), "photocell tested");
    await userEvent.click(dialog.getByText("Vigil photocell, tested (Oddlume Optics)"));
    await userEvent.clear(dialog.getByRole("searchbox"));
    await userEvent.type(dialog.getByRole("searchbox"), "8k2");
    // What the board has no place for can be chosen all the same, and says why it has none.
    expect(
      dialog.getByText(/looks for a plain contact; this one gives an end resistor of 8.2 kΩ/),
    ).toBeTruthy();
    await userEvent.click(dialog.getByText("Ribbon edge with end resistor (Lumbrick Safety)"));
    await userEvent.click(dialog.getByRole("button", { name: "Add 2 devices" }));
    await waitFor(() => expect(ids()).toEqual([...before, "photocell-1", "edge-1"]));
    expect(jobs(sent).at(-1)?.devices.at(-2)).toMatchObject({
      device: { id: "oddlume-vigil" },
      cables: { receiver: { lengthM: 5, sizeMm2: 0.75 } },
    });
    await userEvent.click(screen.getByRole("button", { name: "Remove Keypad, footpath" }));
    await waitFor(() => expect(ids()).not.toContain("pad"));
    expect(document.activeElement).not.toBe(document.body);
    await userEvent.keyboard("{Control>}z{/Control}");
    await waitFor(() => expect(ids()).toEqual([...before, "photocell-1", "edge-1"]));
    expect(await screen.findByText("Taken back: Keypad, footpath is removed.")).toBeTruthy();
    // What was added goes with one more.
    await userEvent.keyboard("{Control>}z{/Control}");
    await waitFor(() => expect(ids()).toEqual(before));
  });

  test("sizes of a draft are assumed until they are confirmed; what is no size stays, is told and is not saved", async () => {
    const { sent } = fakeServer();
    await renderInJob(jobOn("quillmarsh-tandrel", []), <GateForm />);
    expect(screen.getByText(/wanted: sizes and masses, measured/)).toBeTruthy();
    const [width] = screen.getAllByRole("textbox", { name: /^Width/ });
    await userEvent.clear(width!);
    await userEvent.type(width!, "5' 11x");
    await userEvent.tab();
    expect((width as HTMLInputElement).value).toBe("5' 11x");
    expect(screen.getByText(/Expected 1800, 1.8 m, .* found “5' 11x”/)).toBeTruthy();
    await userEvent.clear(width!);
    await userEvent.type(width!, `5' 11"`);
    await userEvent.tab();
    await waitFor(() => expect(jobs(sent).at(-1)?.survey.leaves[0]?.widthMm).toBe(1803));
    expect((width as HTMLInputElement).value).toBe("1803");
    expect(jobs(sent).at(-1)?.assumed).not.toContain(assumedLeaf(0, "widthMm"));
    await userEvent.click(screen.getByRole("button", { name: "They are as written" }));
    await waitFor(() => expect(jobs(sent).at(-1)).not.toHaveProperty("assumed"));
  });

  test("measures are shown in the units of this device, and stored in SI", async () => {
    const { sent } = fakeServer();
    setUnits({ system: "imperial", conductors: "awg" });
    try {
      await renderInJob(netloft(), <GateForm />);
      const [width] = screen.getAllByRole("textbox", { name: /^Width, ft, in/ });
      const { leaves } = netloft().job.survey;
      expect((width as HTMLInputElement).value).toBe(quantityText(leaves[0]!.widthMm, "mm", imperial));
      const [mass] = screen.getAllByRole("textbox", { name: /^Mass, lb/ });
      await userEvent.clear(mass!);
      await userEvent.type(mass!, "300");
      await waitFor(() => expect(jobs(sent).at(-1)?.survey.leaves[0]?.massKg).toBe(136.1));
    } finally {
      setUnits(metric);
    }
  });
});

const imperial = { system: "imperial", conductors: "awg" } as const;
