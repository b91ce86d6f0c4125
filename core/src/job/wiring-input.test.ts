import { refusal, demoBundle, planOn, shippedDevices } from "../testing/shipped.ts";
import { parseBundle, type Job, type JobBundle } from "./index.ts";
import { planJob } from "../plan/index.ts";
import { moves } from "../testing/keys.ts";

/** What is said against a demo job that was changed so. */
function against(change: (bundle: JobBundle & { job: Job }) => void): string {
  const bundle = structuredClone(demoBundle("netloft"));
  change(bundle);
  return refusal(() => parseBundle(bundle));
}

const stop = (bundle: JobBundle) => bundle.job.devices.find((device) => device.id === "stop")!;

const entry = (to: string): JobBundle["log"][number] => ({
  id: "w1",
  at: "2026-10-06T09:00:00.000Z",
  by: "Ivet Carrandine",
  kind: "wired",
  moves: moves({ "stop/a": to }),
});

describe("what is refused, with its place", () => {
  test.each([
    [0, "over 0, found 0"],
    [-4, "over 0, found -4"],
    [501, "at most 500, found 501"],
  ])("a cable of %d m", (lengthM, wanted) => {
    const said = against((bundle) => {
      for (const cable of Object.values(stop(bundle).cables)) cable.lengthM = lengthM;
    });
    expect(said).toMatch(/job\.devices\[\d+\]\.cables\.button\.lengthM: /);
    expect(said).toContain(`expected ${wanted}`);
  });

  test("a wish or a colour for a pin the device lacks, a jumper it does not have", () => {
    expect(against((bundle) => (stop(bundle).pinned = { z: "P2" }))).toMatch(
      /pinned\.z: expected a pin of the device \(a, b\), found "z"/,
    );
    expect(against((bundle) => (stop(bundle).cores = { q: "RD" }))).toMatch(
      /cores\.q: expected a pin of the device/,
    );
    expect(against((bundle) => (stop(bundle).jumpersOn = ["align"]))).toMatch(
      /jumpersOn\[0\]: expected a jumper of the device \(it has none\)/,
    );
  });

  test("a core noted on a terminal the board lacks, or on something that is no place", () => {
    expect(against((bundle) => (bundle.log = [entry("Z9")]))).toMatch(
      /log\[0\]\.moves\[0\]\.to: expected a terminal of the board, found "Z9"/,
    );
    expect(against((bundle) => (bundle.log = [entry("not a word")]))).toMatch(
      /moves\[0\]\.to\.terminal: expected a short word of letters, digits and hyphens/,
    );
    expect(against((bundle) => (bundle.log = [entry("off"), { ...entry("joint/J1"), id: "w2" }]))).toBe(
      "nothing",
    );
  });

  test("a device without pins", () => {
    const said = against((bundle) => {
      const device = bundle.devices.find((each) => each.id === "lumbrick-halt")!;
      device.pins = [];
      device.contacts = [];
    });
    expect(said).toMatch(/devices\[\d+\]\.pins: expected at least two pins/);
  });
});

describe("what is taken, and told as a finding", () => {
  test("a colour, a wish, a jumper and a shared run, kept as they were given", () => {
    const said = against((bundle) => {
      Object.assign(stop(bundle), { pinned: { a: "P2" }, cores: { a: "VT" }, clearanceMm: 12 });
      stop(bundle).cables.button!.run = "quay wall";
    });
    expect(said).toBe("nothing");
  });

  test("converters that could only feed one another: one finding that names them, and no endless search", () => {
    const { given } = planOn("quillmarsh-tandrel", ["brackwater-turn", "brackwater-turn"]);
    const ring = structuredClone(shippedDevices().find((device) => device.id === "brackwater-turn")!);
    ring.supplies[0]!.kind = "dc";
    const devices = [ring, ...given.devices.filter((device) => device.id !== ring.id)];
    const { findings, wiring } = planJob({ ...given, devices });
    const rings = findings.filter((each) => each.code === "converters-in-a-ring");
    expect(rings.length).toBeGreaterThan(0);
    expect(rings[0]!.subjects.map((subject) => subject.id).sort()).toEqual(["converter-1", "converter-2"]);
    expect(wiring.cores.every((core) => core.device === undefined)).toBe(true);
  });
});
