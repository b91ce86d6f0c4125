import { boardOnSite } from "../../job/index.ts";
import { planWiring } from "../index.ts";
import { boardIds, bundleOn, planOn, usualDevices } from "../../testing/shipped.ts";
import { planJob } from "../../plan/index.ts";
import { target } from "../../testing/keys.ts";

const listOf = (board: string) =>
  planOn(board, usualDevices(board)).wiring.cores.map(
    (core) => `${core.device ?? "supply"} ${core.pin} ${target(core)}`,
  );

/** "device pin>terminal pin>terminal" written out, one line a core. */
const written = (rows: string[]) =>
  rows.flatMap((row) => {
    const [device, ...cores] = row.split(" ");
    return cores.map((core) => `${device} ${core.replace(">", " ")}`);
  });

// Written down by hand from each board's terminals and each device's pins.
const lists: Record<string, string[]> = {
  // One common a block; leaf 1 overlaps and has motor 1 with its limits on Y2 and Y3; photocells on X3 and X5 in turn.
  "osierbeck-quernish": [
    "drive-1 m1>W1 m2>W2 lo>Y2 lc>Y1 ls>Y3 lc2>Y1",
    "drive-2 m1>W3 m2>W4 lo>Y4 lc>Y1 ls>Y5 lc2>Y1",
    "photocell-1 s-plus>E1 s-minus>E2 r-plus>E1 r-minus>E2 r-a>X3 r-b>X1",
    "photocell-2 s-plus>E1 s-minus>E2 r-plus>E1 r-minus>E2 r-a>X5 r-b>X1",
    "edge-1 a>X4 b>X1",
    "stop-button-1 a>X2 b>X1",
    "key-switch-1 a>Z2 b>Z1",
    "flashing-light-1 plus>G1 minus>G2",
    "supply live>N1 neutral>N2 earth>N3",
  ],
  // A capacitor motor: common, opening and closing winding; its sensors on S; the low beam before the high one.
  "furzel-slathorn": [
    "drive-1 com>M1 opn>M2 cls>M3 pe>L3 s-plus>S1 s-minus>S2 s-open>S3 s-ret-a>S2 s-shut>S4 s-ret-b>S2",
    "photocell-1 s-plus>A1 s-minus>A2 r-plus>A1 r-minus>A2 r-a>P3 r-b>P1",
    "stop-button-1 a>P2 b>P1",
    "key-switch-1 a>D2 b>D1",
    "flashing-light-1 plus>BL1 minus>BL2",
    "supply live>L1 neutral>L2 earth>L3",
  ],
  // Three phases; the station's three contacts on the wall keys; the encoder's screen on its own zero.
  "hexby-hoistrum": [
    "drive-1 u>M1 v>M2 w>M3 pe>L4 e-plus>N1 e-minus>N2 e-data>N3 e-screen>N2",
    "photocell-1 s-plus>V1 s-minus>V2 r-plus>V1 r-minus>V2 r-a>S5 r-b>S1",
    "key-switch-1 up-a>W2 up-b>W1 st-a>W3 st-b>W1 dn-a>W4 dn-b>W1",
    "supply l1>L1 l2>L2 l3>L3 earth>L4",
  ],
  // Sensors share one supply; inside and outside on A2 and A3, the threshold on P2 with its test core on V3.
  "lammerlow-thrussel": [
    "drive-1 a>MO1 b>MO2 e-plus>MO3 e-minus>MO4 e-pulse>MO5 e-screen>MO4",
    "sensor-1 plus>V1 minus>V2 a>A2 b>A1",
    "sensor-2 plus>V1 minus>V2 a>A3 b>A1",
    "sensor-3 plus>V1 minus>V2 a>P2 b>P1 t>V3",
    "supply live>N1 neutral>N2 earth>N3",
  ],
};

describe.each(Object.keys(lists))("the wire list of %s", (board) => {
  test("is the one written by hand", () => {
    expect(listOf(board).sort()).toEqual(written(lists[board]!).sort());
  });
});

describe("what else is wired", () => {
  test("a battery to its terminals, a tested sender to the tested rail, a wake pair to the wake output", () => {
    const quernish = planOn("osierbeck-quernish", ["quillmarsh-reserve", "oddlume-vigil"]).wiring;
    const on = (pin: string) => quernish.cores.filter((core) => core.pin === pin).map(target)[0];
    expect([on("plus"), on("minus"), on("s-plus"), on("r-plus"), on("r-a")]).toEqual([
      "H1",
      "H2",
      "E3",
      "E1",
      "X3",
    ]);
    const radio = planOn("tessock-umbrick", ["tessock-gate-board", "tessock-sunnick-24"]).wiring;
    expect(radio.cores.filter((core) => core.pin.startsWith("w")).map(target)).toEqual(["W1", "W2"]);
    // The panel brings its own cores: nothing else feeds a solar board.
    expect(radio.cores.filter((core) => core.device === undefined)).toEqual([]);
  });

  test("a bell goes by way of a relay, with a bridge from the supply", () => {
    const { cores, placements } = planOn("hexby-hoistrum", ["tallow-clangle"]).wiring;
    expect(placements[0]?.place?.kind).toBe("relay");
    const mine = cores.filter((core) => core.device === "bell-1");
    expect(mine.map((core) => `${core.pinLabel} ${target(core)}`)).toContain("bridge from RA1 V1");
    expect(
      mine
        .filter((core) => core.cable)
        .map(target)
        .sort(),
    ).toEqual(["RA2", "V2"]);
  });

  test("connectors bear a letter that no block of the board has: Quernish has terminals J", () => {
    const joints = (board: string) =>
      planOn(board, ["lumbrick-halt", "lumbrick-halt"]).wiring.cores.flatMap((core) =>
        core.to.kind === "joint" ? [core.to.joint] : [],
      );
    expect(joints("quillmarsh-tandrel")).toEqual(["J1", "J1"]);
    expect(joints("osierbeck-quernish")).toEqual(["U1", "U1"]);
  });

  test("core colours found on site stand in the list, and the pin stays where it is", () => {
    const { given } = planOn("quillmarsh-tandrel", ["lumbrick-halt"]);
    given.job.devices[0]!.cores = { a: "VT" };
    const cores = planJob(given).wiring.cores.filter((core) => core.device === "stop-button-1");
    expect(cores.map((core) => `${core.pin} ${core.colour} ${target(core)}`)).toEqual(["a VT P2", "b BK P1"]);
  });
});

describe("pins that are wanted somewhere", () => {
  const wanting = (pinned: Record<string, string>, devices = ["oddlume-glance"]) => {
    const { given } = planOn("quillmarsh-tandrel", devices);
    given.job.devices.at(-1)!.pinned = pinned;
    return planJob(given);
  };

  test("a contact wanted on the edge's terminal is planned there, and says so", () => {
    const { wiring, findings } = wanting({ a: "P2" }, ["lumbrick-halt"]);
    expect(wiring.cores.filter((core) => core.pin === "a").map(target)[0]).toBe("P2");
    expect(wiring.placements.find(({ demand }) => demand.kind === "contact")?.why).toMatch(
      /^Where it was wanted\./,
    );
    expect(findings.map((each) => each.code)).not.toContain("pin-impossible");
  });

  test("the two ends of a contact may be wanted the other way round", () => {
    const { wiring } = wanting({ a: "P1" }, ["lumbrick-halt"]);
    expect(
      wiring.cores
        .filter((core) => core.device === "stop-button-1")
        .map((core) => `${core.pin} ${target(core)}`)
        .sort(),
    ).toEqual(["a P1", "b P2"]);
  });

  test("wanted on a terminal that cannot take it, or that is not there: planned elsewhere, with a finding", () => {
    for (const terminal of ["M1", "Z9"]) {
      const { wiring, findings } = wanting({ "r-plus": terminal });
      const impossible = findings.find((each) => each.code === "pin-impossible")!;
      expect(impossible.values).toMatchObject({
        terminal,
        instead: expect.stringMatching(/^Planned on R\d instead\.$/),
      });
      expect(wiring.cores.filter((core) => core.pin === "r-plus").map(target)[0]).toMatch(/^R/);
    }
  });

  test("every core wanted where it is planned anyway: nothing is told; one of them wanted elsewhere: that one", () => {
    for (const id of boardIds()) {
      const given = bundleOn(id, usualDevices(id));
      const board = boardOnSite(given.job, given.board);
      const wiring = planWiring({ ...given, board });
      const told = (change: (pinned: Record<string, string>) => void, device: string) => {
        const job = structuredClone(given.job);
        for (const each of job.devices) {
          const cores = wiring.cores.filter((core) => core.device === each.id);
          each.pinned = Object.fromEntries(
            cores.flatMap((core) => (core.to.kind === "terminal" ? [[core.pin, core.to.terminal]] : [])),
          );
          if (each.id === device) change(each.pinned);
        }
        return planWiring({ ...given, board, job }).findings.filter((each) => each.code === "pin-impossible");
      };
      expect([id, told(() => {}, "")]).toEqual([id, []]);
      for (const { id: device, profile } of wiring.devices.filter((each) => each.profile.pins.length > 1)) {
        const pins = wiring.cores.filter((core) => core.device === device && core.to.kind === "terminal");
        const last = pins.at(-1);
        if (!last || pins.length < 2) continue;
        const found = told((pinned) => (pinned[last.pin] = "Z9"), device);
        const label = profile.pins.find((pin) => pin.id === last.pin)!.label;
        expect([id, found.map(({ values }) => [values.pin, values.terminal])]).toEqual([id, [[label, "Z9"]]]);
        break;
      }
    }
  });
});
