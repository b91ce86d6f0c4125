import type { DeviceInstance, Job } from "../../job/index.ts";
import { planJob } from "../../plan/index.ts";
import { demoBundle, planAfter } from "../../testing/shipped.ts";
import { linkFindings, planWiring } from "../index.ts";
import { node, target } from "../../testing/keys.ts";

const twin = (job: Job, id: string, n: number): DeviceInstance => ({
  ...job.devices.find((each) => each.id === id)!,
  id: `${id}-${n}`,
  name: `${id} ${n}`,
});

const withTwins = (id: string, count: number) =>
  planWiring(
    demoBundle("netloft", (job) => {
      for (let n = 2; n <= count; n++) job.devices.push(twin(job, id, n));
    }),
  );

const lines = (plan: ReturnType<typeof planWiring>, device: RegExp) =>
  plan.cores
    .filter((core) => device.test(core.device ?? ""))
    .map((core) => `${core.device} ${core.pin}>${target(core)}`);

describe("contacts that share an input", () => {
  test("three stops go in series: in at P2, through two connectors, back to a common", () => {
    const stops = lines(withTwins("stop", 3), /^stop/);
    expect(stops.slice(0, 5)).toEqual([
      "stop a>P2",
      "stop b>J1",
      "stop-2 a>J1",
      "stop-2 b>J2",
      "stop-3 a>J2",
    ]);
    expect(stops[5]).toMatch(/^stop-3 b>P[15]$/);
  });

  test("two key switches on the step input go in parallel, both on the same two terminals", () => {
    const plan = planWiring(
      demoBundle("netloft", (job) => {
        // Three step contacts for the two inputs that take one: step and open only.
        for (let n = 2; n <= 3; n++) job.devices.push(twin(job, "key", n));
      }),
    );
    const inputs = lines(plan, /^key/).filter((line) => line.includes(" a>"));
    expect(inputs.map((line) => line.split(">")[1]).sort()).toEqual(["C2", "C2", "C4"]);
    expect(
      lines(plan, /^key/)
        .filter((line) => line.includes(" b>"))
        .every((line) => line.endsWith("C1")),
    ).toBe(true);
    expect(plan.cores.some((core) => core.to.kind === "joint")).toBe(false);
  });

  test("a second photocell takes the edge's input before it shares one, and says nothing is lost", () => {
    const plan = planWiring(
      demoBundle("netloft", (job) => {
        job.devices = job.devices.filter((each) => each.id !== "edge");
        job.devices.push(twin(job, "cell-street", 2));
      }),
    );
    const used = plan.placements.flatMap(({ demand, place }) =>
      demand.kind === "contact" && demand.contact.duty === "photocell" && place?.kind === "input"
        ? [place.input.id]
        : [],
    );
    expect(used.sort()).toEqual(["beam", "edge"]);
    expect(plan.findings.filter((each) => each.code === "contacts-chained")).toEqual([]);
    expect(plan.links.find((link) => link.id === "link-edge")?.planned).toBe("out");
  });

  test("a chain is told once, with its devices and its lamp", () => {
    const [chained] = withTwins("stop", 2).findings.filter((each) => each.code === "contacts-chained");
    expect(chained?.values).toEqual({
      devices: "Stop, boat store and stop 2",
      input: "Stop (P2)",
      tripped: "STOP is dark",
      lost: "",
      room: "",
    });
  });
});

describe("terminals", () => {
  test("no clamp holds more than it may while another of the same point has room", () => {
    const plan = withTwins("cell-street", 3);
    const held = new Map<string, number>();
    for (const core of plan.cores) held.set(target(core), (held.get(target(core)) ?? 0) + 1);
    for (const id of ["R1", "R2", "R3", "R4"]) expect(held.get(id)).toBeLessThanOrEqual(4);
    expect(Math.abs(held.get("R1")! - held.get("R3")!)).toBeLessThanOrEqual(1);
    expect(plan.findings.map((each) => each.code)).toContain("terminal-crowded");
  });

  test("a core says what it is for, in which cable, and where it comes from", () => {
    const core = planWiring(demoBundle("netloft")).cores.find((each) => each.id === "lock.plus>out-plus");
    expect(core).toMatchObject({
      deviceName: "Magnetic lock",
      pinLabel: "coil +",
      to: node("converter/out-plus"),
      cable: { lengthM: 5, sizeMm2: 1 },
      why: "supply 24 V DC from Converter in the cabinet",
    });
  });
});

describe("ids that a person types", () => {
  test("a device called mains, board, joint or main has its own cores, and the supply keeps its own", () => {
    const words = ["mains", "board", "joint", "main", "spur"];
    const names = new Map<string, string>();
    const renamed = demoBundle("netloft", (job) =>
      job.devices.forEach((device, index) => {
        names.set(device.id, words[index] ?? device.id);
        device.id = names.get(device.id)!;
      }),
    );
    const [plain, odd] = [planJob(demoBundle("netloft")), planJob(renamed)];
    const lines = (cores: typeof plain.wiring.cores, named: (device: string) => string) =>
      cores.map(
        (core) => `${core.device === undefined ? "~" : named(core.device)} ${core.pin} ${core.colour}`,
      );
    expect(lines(odd.wiring.cores, (id) => id)).toEqual(
      lines(plain.wiring.cores, (id) => names.get(id) ?? id),
    );
    expect(odd.sheet.map((step) => step.title)).toEqual(plain.sheet.map((step) => step.title));
    expect(odd.findings).toHaveLength(plain.findings.length);
    renamed.job.found.noted = true;
    const done = planAfter(renamed, () => true);
    expect(done.nowFindings).toEqual([]);
    expect(done.now.landed).toHaveLength(odd.wiring.cores.length);
  });
});

describe("links in a state", () => {
  const { board } = demoBundle("netloft");
  const wire = { id: "w", from: node("cell/r-a"), to: node("P3"), deviceName: "Cell" };
  const codes = (wires: (typeof wire)[], links: Record<string, "in" | "out">) =>
    linkFindings(board, wires, { "link-stop": "in", "link-edge": "in", ...links }).map((each) => each.code);

  test("traps 3 and 4: in beside a wired device is a danger, out with nothing wired is a fault, the rest is right", () => {
    expect(codes([wire], { "link-beam": "in" })).toEqual(["link-beside-device"]);
    expect(codes([], { "link-beam": "out" })).toEqual(["link-missing"]);
    expect(codes([wire], { "link-beam": "out" })).toEqual([]);
    expect(codes([], { "link-beam": "in" })).toEqual([]);
  });
});
