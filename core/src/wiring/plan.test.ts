import { jobSchema } from "../job/index.ts";
import { demoBundle } from "../testing/shipped.ts";
import { planWiring } from "./plan.ts";
import { supply, target } from "../testing/keys.ts";

const listOf = (name: string, change?: Parameters<typeof demoBundle>[1]) =>
  planWiring(demoBundle(name, change)).cores.map(
    (core) => `${core.device ?? "supply"} ${core.pin} ${core.colour} ${target(core)}`,
  );

describe("the wire list of the demo jobs, worked by hand from the board's terminals", () => {
  test("Netloft yard: every device on its own input, the lock behind its converter", () => {
    // By hand: protection contacts take P2 stop, P3 beam, P4 edge and return to the two commons P1 and P5, the edge to P5
    // as the nearer of the two; supplies go to R1/R2, R3/R4 and again R1/R2, as even as three can be;
    // the lock wants DC and K gives AC, so the converter stands between; the overlapping leaf is on output 1.
    expect(listOf("netloft").sort()).toEqual(
      [
        "drive-a a RD D1",
        "drive-a b BU D2",
        "drive-b a RD D3",
        "drive-b b BU D4",
        "cell-street s-plus BN R1",
        "cell-street s-minus BU R2",
        "cell-street r-plus BN R3",
        "cell-street r-minus BU R4",
        "pad plus RD R1",
        "pad minus BK R2",
        "converter in-a GY K1",
        "converter in-b GY K2",
        "lock plus RD converter/out-plus",
        "lock minus BK converter/out-minus",
        "beacon plus OG B1",
        "beacon minus BK B2",
        "stop a RD P2",
        "stop b BK P1",
        "cell-street r-a BK P3",
        "cell-street r-b GY P1",
        "edge a WH P4",
        "edge b BN P5",
        "key a BK C2",
        "key b BN C1",
        "pad a WH C3",
        "pad b YE C1",
        "supply live BN M1",
        "supply neutral BU M2",
        "supply earth GNYE M3",
      ].sort(),
    );
  });

  test("Oakum sheds: two photocells chain in series through one connector", () => {
    const cores = listOf("sheds").filter((line) => /cell-(out|in) r-[ab]/.test(line));
    expect(cores).toEqual([
      "cell-out r-a BK P3",
      "cell-out r-b GY J1",
      "cell-in r-a BK J1",
      "cell-in r-b GY P1",
    ]);
    expect(planWiring(demoBundle("sheds")).findings.map((each) => each.code)).toEqual(["contacts-chained"]);
  });

  test("links both ways: out where a device takes over, in where an input stays empty", () => {
    const links = planWiring(demoBundle("slip", (job) => (job.found.links = { "link-edge": "out" }))).links;
    expect(links.map(({ id, found, planned }) => `${id} ${found} ${planned}`)).toEqual([
      "link-stop in out",
      "link-beam in out",
      "link-edge out in",
    ]);
  });
});

describe("rails", () => {
  test("Netloft: the shared budget carries photocell 28 + 46, keypad 90 and beacon 210 mA, of 550", () => {
    const [budget, lock, output] = planWiring(demoBundle("netloft")).rails;
    expect(budget).toMatchObject({ workingMilliamps: 28 + 46 + 90 + 210, limitMilliamps: 550 });
    // Not amps for amps: 310 mA of d.c. asks 1.7 times as much of the a.c. side, by the converter's sheet.
    expect(lock).toMatchObject({ workingMilliamps: 1.7 * 310, limitMilliamps: 650 });
    expect(output).toMatchObject({ workingMilliamps: 310, limitMilliamps: 400 });
  });

  test("the beacon's 210 mA over 5 m of 0.75 mm² flexible lose 54.6 mV at 20 °C, a fifth more at 70 (IEC 60228: 26 Ω/km, IEC 60028, from memory)", () => {
    const { reach } = planWiring(demoBundle("netloft"));
    const cable = 2 * 5 * 0.026 * 0.21;
    // The switched output gives way by its own 0.1 Ω under the beacon alone; photocell and keypad have another.
    const rail = 0.1 * 0.21;
    const { least, most } = reach[supply("beacon/lamp")]!;
    expect(least).toBeCloseTo(24 - rail - cable * (1 + 0.00393 * 50), 4);
    expect(most).toBeGreaterThan(least);
    expect(most).toBeLessThan(24);
  });

  test("trap 29: a second keypad, beacon and photocell pass the shared budget, and the finding names both rails", () => {
    const plan = planWiring(
      demoBundle("netloft", (job) => {
        for (const id of ["beacon", "pad", "cell-street"])
          job.devices.push({
            ...job.devices.find((each) => each.id === id)!,
            id: `${id}-2`,
            name: `${id} two`,
          });
      }),
    );
    const over = plan.findings.find((each) => each.code === "rail-overloaded");
    expect(over?.values).toMatchObject({ load: "748 mA", limit: "550 mA", excess: "198 mA" });
    expect(over?.subjects).toEqual(
      expect.arrayContaining([
        { kind: "rail", id: "accessories" },
        { kind: "rail", id: "beacon" },
      ]),
    );
  });
});

describe("what cannot be placed says why", () => {
  const findings = (change: Parameters<typeof demoBundle>[1]) =>
    planWiring(demoBundle("netloft", change)).findings;

  test("trap 20: a DC lock at the AC lock terminals without its converter", () => {
    const found = findings((job) => (job.devices = job.devices.filter((each) => each.id !== "converter")));
    expect(found.map((each) => each.code)).toEqual(["ac-on-dc"]);
    expect(found[0]?.values).toMatchObject({
      given: "24 V AC",
      remedy: "Put a converter between them that carries 310 mA, or choose a device for 24 V AC.",
      wanted: "21.5 to 27 V DC",
    });
  });

  test("trap 39: a bell push that rests open, as a stop", () => {
    const found = findings((job) => {
      job.devices.find((each) => each.id === "stop")!.device.id = "lumbrick-bell-push";
    });
    expect(found.map((each) => each.code)).toEqual(["open-contact-on-closed-input"]);
    expect(found[0]?.subjects).toContainEqual({ kind: "terminal", id: "P2" });
  });

  test("two drives for one leaf: the second has no output left", () => {
    const found = findings((job) => (job.devices[1]!.leaf = "overlapping"));
    expect(found).toContainEqual(expect.objectContaining({ code: "device-unplaced" }));
  });

  test("a clean plan has no finding, and the only leaf's drive goes to output 1", () => {
    const single = (job: Parameters<NonNullable<Parameters<typeof demoBundle>[1]>>[0]) => {
      job.survey.leaves = [{ ...job.survey.leaves[0]!, id: "only" }];
      job.devices = [{ ...job.devices[0]!, leaf: "only" }];
    };
    expect(findings(single)).toEqual([]);
    expect(listOf("netloft", single).slice(0, 2)).toEqual(["drive-a a RD D1", "drive-a b BU D2"]);
    expect(jobSchema.safeParse(demoBundle("netloft", single).job).success).toBe(true);
  });

  test("terminals that would hold too much are named", () => {
    const crowded = findings((job) => {
      for (let n = 0; n < 7; n++)
        job.devices.push({
          ...job.devices.find((each) => each.id === "key")!,
          id: `key-${n}`,
          name: `Key ${n}`,
        });
    }).filter((each) => each.code === "terminal-crowded");
    expect(crowded.map((each) => each.values.terminal)).toEqual(expect.arrayContaining(["C1", "C2"]));
  });
});
