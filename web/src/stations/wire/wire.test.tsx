import { pinNode, planJob, terminalNode, type LogEntry } from "@anvilcloud/core";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import Papa from "papaparse";
import { fakeServer, jobOn, netloft, renderInJob } from "../../testing/bench.tsx";
import { AsWired } from "./as-wired.tsx";
import { Cables } from "./cables.tsx";
import { Labels } from "./labels.tsx";
import { cablesCsv } from "./wire-csv.ts";
import { WirePlan } from "./wire-plan.tsx";

async function choose(label: RegExp, option: RegExp) {
  await userEvent.click(screen.getByRole("button", { name: label }));
  await userEvent.click(within(await screen.findByRole("listbox")).getAllByText(option)[0]!);
}

const wired = (pin: string, to: string, at = 0): LogEntry => ({
  id: `w${at}`,
  at: `2026-10-06T09:00:0${at}.000Z`,
  by: "Ivet Carrandine",
  kind: "wired" as const,
  moves: [{ pin: pinNode(...pinOf(pin)), to: to === "off" ? to : terminalNode(to) }],
});

/** A pin from its shorthand, "stop/b". */
function pinOf(text: string): [string, string] {
  const [device = "", pin = ""] = text.split("/");
  return [device, pin];
}

describe("the plan", () => {
  test("says why each sits where it does, and marks what has no place", async () => {
    await renderInJob(jobOn("copperfold-casspel", ["lumbrick-plushet", "tallow-clangle"]), <WirePlan />);
    const why = screen.getByRole("table", { name: "Why each sits where it does" });
    expect(within(why).getByText(/made for an edge contact, its own/)).toBeTruthy();
    const missing = within(why).getByText("No place for it.").closest("tr");
    expect(missing?.dataset.changed).toBe("true");
  });

  test("shows each rail in every situation, the worst of them named", async () => {
    await renderInJob(netloft(), <WirePlan />);
    const [table] = screen.getAllByRole("table", { name: /mA in each situation$/, hidden: true });
    const heads = within(table!)
      .getAllByRole("columnheader", { hidden: true })
      .map((head) => head.textContent);
    expect(heads.slice(1, 8)).toEqual(["Idle", "At work", "Test", "Opening", "Open", "Closing", "Battery"]);
  });
});

describe("a job that was handed over", () => {
  test("takes nothing under Wire, neither a run, nor a core found, nor a wish; what it hands out stays at hand", async () => {
    const handedOver: LogEntry = {
      id: "h1",
      at: "2026-10-06T10:00:00.000Z",
      by: "Ivet Carrandine",
      kind: "handed-over",
      to: "Perrin",
    };
    await renderInJob(
      netloft([wired("stop/b", "C4"), handedOver]),
      <>
        <AsWired />
        <Cables />
      </>,
    );
    const closed = (element: HTMLElement) => element.matches(":disabled");
    const runs = screen.getAllByRole("textbox", { name: /^Run that/ });
    const marks = ["It sits here", /^Put on/, /^Keep it on/].map((name) =>
      screen.getByRole("button", { name }),
    );
    expect(runs.length).toBeGreaterThan(3);
    expect([...runs, ...marks].filter((element) => !closed(element))).toEqual([]);
    expect(screen.getAllByRole("button", { name: "CSV" }).filter(closed)).toEqual([]);
  });
});

describe("cables", () => {
  test("a row a cable; a thin one is marked, and the sizes that are enough are taken at once", async () => {
    const { sent } = fakeServer();
    const bundle = netloft();
    const lock = bundle.job.devices.find((device) => device.id === "lock")!;
    for (const cable of Object.values(lock.cables)) Object.assign(cable, { lengthM: 120, sizeMm2: 0.5 });
    await renderInJob(bundle, <Cables />);
    const row = screen.getByText("Magnetic lock").closest("tr")!;
    expect(row.dataset.changed).toBe("true");
    expect(within(row).getByText("needs 0.75 mm²")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Take the sizes that are enough" }));
    await waitFor(() => expect(sent.some(({ method }) => method === "PUT")).toBe(true));
    const body = sent.find(({ method }) => method === "PUT")!.body as typeof bundle.job;
    const sizes = Object.values(body.devices.find((device) => device.id === "lock")!.cables).map(
      (cable) => cable.sizeMm2,
    );
    expect(sizes).toEqual([0.75]);
  });

  test("a run that two name is one cable, saved when the field is left", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <Cables />);
    const field = screen.getByRole("textbox", { name: "Run that Stop, boat store shares" });
    await userEvent.type(field, "wall");
    fireEvent.blur(field);
    await waitFor(() => expect(sent.some(({ method }) => method === "PUT")).toBe(true));
    const body = sent.find(({ method }) => method === "PUT")!.body as {
      devices: { id: string; cables: object }[];
    };
    expect(body.devices.find((device) => device.id === "stop")?.cables).toMatchObject({
      button: { run: "wall" },
    });
  });

  test("the bill says what to bring, and the cutting list comes back from CSV", async () => {
    await renderInJob(netloft(), <Cables />);
    expect(
      within(screen.getByRole("table", { name: "To bring" })).getAllByRole("row").length,
    ).toBeGreaterThan(3);
    const { cables } = planJob(netloft()).wiring;
    const { data, errors } = Papa.parse<Record<string, string>>(cablesCsv(cables), { header: true });
    expect(errors).toEqual([]);
    expect(data.map((row) => row.cable)).toEqual(cables.map((cable) => cable.label));
    expect(Number(data[0]!["cut m"])).toBe(cables[0]!.cutM);
  });
});

describe("as wired", () => {
  test("a core's place is noted in the log, with its pin and the place as they are named there", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <AsWired />);
    await choose(/Core$/, /^Stop, boat store: RD contact a/);
    await choose(/Sits on$/, /^C4 /);
    await userEvent.click(screen.getByRole("button", { name: "It sits here" }));
    const [entry] = sent.filter(({ method }) => method === "POST");
    expect(entry?.body).toMatchObject({
      kind: "wired",
      moves: [{ pin: pinNode("stop", "a"), to: terminalNode("C4") }],
    });
  });

  test("a difference can be put as planned, or kept and planned around", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft([wired("stop/b", "P5")]), <AsWired />);
    const list = screen.getByRole("list", { name: "Differences to the plan" });
    expect(within(list).getAllByRole("listitem")).toHaveLength(1);
    await userEvent.click(screen.getByRole("button", { name: "Keep it on P5" }));
    await waitFor(() => expect(sent.some(({ method }) => method === "PUT")).toBe(true));
    const body = sent.find(({ method }) => method === "PUT")!.body as {
      devices: { id: string; pinned?: object }[];
    };
    expect(body.devices.find((device) => device.id === "stop")?.pinned).toEqual({ b: "P5" });
  });

  test("every input and device stands beside what the plan has; what differs is marked", async () => {
    await renderInJob(netloft([wired("cell-street/r-plus", "off")]), <AsWired />);
    const table = screen.getByRole("table", { name: "Inputs and devices as wired" });
    const beam = within(table).getByText("Photocell (P3)").closest("tr")!;
    expect(beam.dataset.changed).toBe("true");
    expect(beam.textContent).toContain("open, 24 V");
    expect(within(table).getByText("Stop (P2)").closest("tr")!.dataset.changed).toBe("false");
  });

  test("a colour found stands beside the sheet's, and can be taken back", async () => {
    const { sent } = fakeServer();
    const bundle = netloft();
    bundle.job.devices.find((device) => device.id === "stop")!.cores = { a: "VT" };
    await renderInJob(bundle, <AsWired />);
    expect(screen.getByText(/its sheet says/).textContent).toContain("RD");
    await userEvent.click(screen.getByRole("button", { name: "As on its sheet" }));
    await waitFor(() => expect(sent.some(({ method }) => method === "PUT")).toBe(true));
    const body = sent.find(({ method }) => method === "PUT")!.body as {
      devices: { id: string; cores?: object }[];
    };
    expect(body.devices.find((device) => device.id === "stop")?.cores).toBeUndefined();
  });
});

describe("on paper", () => {
  test("a label for every core, in the order of the terminals", async () => {
    await renderInJob(netloft(), <Labels />);
    const labels = within(screen.getByRole("list", { name: "Terminal labels" })).getAllByRole("listitem");
    expect(labels).toHaveLength(planJob(netloft()).wiring.cores.length);
    expect(labels[0]!.textContent).toContain("B1");
  });
});
