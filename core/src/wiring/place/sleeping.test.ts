import type { Finding } from "../../finding/index.ts";
import { planWiring } from "../plan.ts";
import { boardOnSite } from "../../job/index.ts";
import { boardIds, bundleOn, planOn, shippedDevices } from "../../testing/shipped.ts";

const converters = shippedDevices().filter(({ kind }) => kind === "converter");
const locks = shippedDevices().filter(({ kind }) => kind === "lock");

describe("trap 31, by way of a converter", () => {
  test("a lock that must always live, or only when it is let go, behind whatever feeds its converter, on every board", () => {
    const told = { always: 0, switched: 0 };
    for (const id of boardIds())
      for (const converter of converters)
        for (const lock of locks) {
          const { job, board, devices } = bundleOn(id, [converter.id, lock.id]);
          const plan = planWiring({ job, board: boardOnSite(job, board), devices });
          const of = (profile: string) =>
            plan.placements.find(
              ({ demand }) => demand.device.profile.id === profile && demand.kind === "supply",
            )?.place;
          const [feed, at] = [of(converter.id), of(lock.id)];
          if (feed?.kind !== "rail" || at?.kind !== "made") continue;
          const { lives } = lock.supplies[0]!;
          const found = plan.findings.find(
            ({ code, subjects }) =>
              (code === "rail-sleeps" || code === "rail-never-sleeps") &&
              subjects.some((subject) => subject.id === "lock-1"),
          );
          const always = feed.rail.live === "always";
          const wrong = (lives === "always" && !always) || (lives === "switched" && always);
          expect([id, converter.id, lock.id, found?.values.rail]).toEqual([
            id,
            converter.id,
            lock.id,
            wrong ? `${feed.rail.label} by way of ${converter.name}` : undefined,
          ]);
          if (wrong) told[lives] += 1;
        }
    expect(told.always).toBeGreaterThan(0);
    expect(told.switched).toBeGreaterThan(0);
  });

  test("a converter for a magnet goes to the terminals that always live, though others are made for it", () => {
    const given = bundleOn("pengrath-drawmel", ["brackwater-turn", "brackwater-clasp"]);
    const lock = given.board.rails.find(({ feeds }) => feeds.includes("lock"))!;
    given.board.rails.unshift({ ...lock, id: "let-go", label: "Let go", live: "unlocking" });
    const at = () =>
      planWiring({ ...given, board: boardOnSite(given.job, given.board) }).placements[0]?.place;
    expect(at()).toMatchObject({ kind: "rail", rail: { id: lock.id } });
    // With nothing behind it that must live, it is all one, and the first is taken.
    given.job.devices.pop();
    expect(at()).toMatchObject({ kind: "rail", rail: { id: "let-go" } });
  });
});

describe("trap 42: battery and panel of different voltages", () => {
  const volts = [12, 24] as const;
  /** What is told of a battery and a panel on this board: the device with the voltage it should have. */
  const told = (panelTakes: readonly number[], battery: number, panel: number) => {
    const given = bundleOn("tessock-umbrick", ["quillmarsh-reserve", "tessock-sunnick-12"]);
    given.board.solar!.volts = [...panelTakes];
    for (const device of given.devices)
      for (const rail of device.provides) {
        if (rail.feeds.includes("battery")) rail.volts = battery;
        if (rail.feeds.includes("panel")) rail.volts = panel;
      }
    return planWiring({ ...given, board: boardOnSite(given.job, given.board) }).findings.flatMap(
      ({ code, subjects, values }) =>
        code === "source-of-another-voltage" ? [[subjects[0]!.id, parseInt(values.wanted!)] as const] : [],
    );
  };

  test("who follows the advice is done: no advice is taken back by the next", () => {
    for (const takes of [[24], [12], [12, 24]])
      for (const battery of volts)
        for (const panel of volts) {
          const now = { battery, panel } as Record<string, number>;
          for (let turns = 0; ; turns++) {
            const [first] = told(takes, now.battery!, now.panel!);
            if (!first) break;
            expect([takes, battery, panel, turns]).toEqual([takes, battery, panel, turns < 2 ? turns : -1]);
            now[first[0].startsWith("battery") ? "battery" : "panel"] = first[1];
          }
          expect(now.battery).toBe(now.panel);
          expect(takes).toContain(now.panel);
        }
  });

  test("a battery for terminals of another voltage is told as that, and not as one without a place", () => {
    const given = bundleOn("lammerlow-thrussel", ["quillmarsh-reserve"]);
    for (const device of given.devices) for (const rail of device.provides) rail.volts = 12;
    const { findings } = planWiring({ ...given, board: boardOnSite(given.job, given.board) });
    expect(findings.map(({ code }) => code)).toEqual(["source-of-another-voltage"]);
  });

  test("the later of the two is told, where the terminals take either", () => {
    expect(told([12, 24], 12, 24).map(([, wanted]) => wanted)).toEqual([12]);
    expect(told([12, 24], 24, 24)).toEqual([]);
  });
});

test("an inlet takes one source: of two batteries one stays without a place", () => {
  const given = bundleOn("osierbeck-quernish", ["quillmarsh-reserve", "quillmarsh-reserve"]);
  const { placements, findings } = planWiring({ ...given, board: boardOnSite(given.job, given.board) });
  expect(placements.map(({ place }) => place?.kind)).toEqual(["inlet", undefined]);
  // Its voltage is right: what keeps it is the one that is there.
  const [{ code, values }] = findings.filter(({ subjects }) => subjects[0]?.id === "battery-2") as [Finding];
  expect(code).toBe("device-unplaced");
  expect(values.reason).toContain(placements[0]!.demand.device.name);
});

test("a pin wanted somewhere that no plan of its device uses is told, and the rest is planned", () => {
  const { given } = planOn("osierbeck-quernish", ["lammerlow-sill"]);
  given.job.devices[0]!.pinned = { t: "X1" };
  const plan = planWiring({ ...given, board: boardOnSite(given.job, given.board) });
  const [told] = plan.findings.filter(({ code }) => code === "pin-impossible");
  expect(told?.values).toMatchObject({ terminal: "X1", instead: "It stays without a place." });
});
