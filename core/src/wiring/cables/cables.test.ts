import type { Job } from "../../job/index.ts";
import { terminalOf } from "../../board/index.ts";
import { wordsOf } from "../../finding/index.ts";
import { terminalIn } from "../../node/index.ts";
import { boardIds, demoBundle, planOn, usualDevices } from "../../testing/shipped.ts";
import type { Core } from "../cores/index.ts";
import { billOf } from "./bill.ts";
import { cablesOf, type CablePlan } from "./cables.ts";
import { planWiring } from "../plan.ts";
import { planJob } from "../../plan/index.ts";

const netloftCables = (change?: (job: Job) => void) => planWiring(demoBundle("netloft", change)).cables;

describe("cables", () => {
  test("one for each part, with its cores, a spare and its allowances", () => {
    const cable = netloftCables().find((each) => each.id === "part cell-street receiver")!;
    // By hand: supply and contact are four cores, five with a spare; 1 m in the cabinet and 0.5 m at the cell beside the run.
    expect(cable).toMatchObject({
      cores: 4,
      soldCores: 5,
      spares: 1,
      cutM: cable.lengthM + 1.5,
      carries: "extra-low voltage",
    });
  });

  test("parts that name one run share it: cores together, the longest length, an allowance for each end", () => {
    const cables = netloftCables((job) => {
      const cell = job.devices.find((device) => device.id === "cell-street")!;
      for (const part of ["sender", "receiver"]) Object.assign(cell.cables[part]!, { run: "street post" });
      cell.cables.sender!.lengthM = 9;
      cell.cables.receiver!.lengthM = 14;
    });
    const shared = cables.find((cable) => cable.run === "street post")!;
    expect(shared.ends.map((end) => end.part)).toEqual(["sender", "receiver"]);
    expect(shared).toMatchObject({
      label: "street post",
      cores: 6,
      soldCores: 8,
      spares: 2,
      lengthM: 14,
      cutM: 16,
    });
  });

  test("a mains motor's cable is told as mains, has its protective earth and no spare, and shares no run with extra-low voltage", () => {
    const { given, wiring } = planOn("furzel-slathorn", ["furzel-rack", "lumbrick-halt"]);
    const motor = wiring.cables.find((cable) => cable.ends[0]?.part === "motor")!;
    expect(motor).toMatchObject({ carries: "mains", cores: 4, spares: 0 });
    expect(planJob(given).findings.map((each) => each.code)).not.toContain("mains-beside-low");
    const job = structuredClone(given.job);
    for (const device of job.devices) for (const cable of Object.values(device.cables)) cable.run = "trench";
    const [found] = planJob({ ...given, job }).findings.filter((each) => each.code === "mains-beside-low");
    expect(found).toMatchObject({ severity: "danger", values: { cable: "trench" } });
  });

  test("a shared run has the least of its sizes and the longest of its lengths", () => {
    const { given } = planOn("osierbeck-quernish", ["lumbrick-halt", "tallow-turnkey", "lumbrick-plushet"]);
    const [one, two, three] = given.job.devices.flatMap(({ cables }) => Object.values(cables));
    Object.assign(one!, { run: "post", lengthM: 7, sizeMm2: 1.5 });
    Object.assign(two!, { run: "post", lengthM: 12, sizeMm2: 0.75 });
    Object.assign(three!, { run: "post", lengthM: 3, sizeMm2: 1 });
    const [cable] = planJob(given).wiring.cables.filter(({ run }) => run === "post");
    expect([cable?.sizeMm2, cable?.lengthM, cable?.ends.length]).toEqual([0.75, 12, 3]);
  });

  test("the size is the least with which the device has its voltage at 70 °C", () => {
    const at = (lengthM: number) =>
      netloftCables((job) => {
        for (const cable of Object.values(job.devices.find((device) => device.id === "lock")!.cables))
          cable.lengthM = lengthM;
      }).find((cable) => cable.ends[0]?.device === "lock")!.enoughMm2;
    // By hand: 310 mA may lose 24 − 0.03 − 21.5 = 2.469 V; out and back at 70 °C a metre of 0.5 mm² loses
    // 2 · 0.039 · 1.1965 · 0.31 = 28.93 mV, so 85 m is the most; 0.75 mm² carries 26/39 of that, 128 m.
    expect(at(85)).toBe(0.5);
    expect(at(86)).toBe(0.75);
    expect(at(127)).toBe(0.75);
    expect(at(129)).toBe(1);
    expect(at(500)).toBe(4);
  });

  test("a converter far from the board: sized for what it draws under load, not left to fall and wake again", () => {
    const at = (converterM: number, lockM: number) => {
      const plan = planJob(
        demoBundle("netloft", (job) => {
          job.devices.find((device) => device.id === "converter")!.cables.box!.lengthM = converterM;
          job.devices.find((device) => device.id === "lock")!.cables.coil!.lengthM = lockM;
        }),
      );
      const of = (id: string) => plan.wiring.cables.find((each) => each.ends[0]?.device === id)!.enoughMm2;
      return { sizes: [of("converter"), of("lock")], findings: plan.findings };
    };
    // By hand: the lock's 310 mA ask 1.7 times as much of the a.c. side, 527 mA, which may lose 24 − 0.05 − 20 = 3.947 V;
    // out and back at 70 °C a metre of 0.5 mm² loses 2 · 0.039 · 1.1965 · 0.527 = 49.18 mV, so 80 m is the most, and of
    // 0.75 mm² 39/26 of that, 120 m. What hangs behind it asks nothing of its cable, nor it of theirs.
    expect(at(80, 5).sizes).toEqual([0.5, 0.5]);
    expect(at(81, 5).sizes).toEqual([0.75, 0.5]);
    expect(at(120, 86).sizes).toEqual([0.75, 0.75]);
    const { sizes, findings } = at(121, 5);
    expect(sizes).toEqual([1, 0.5]);
    const low = findings.filter((each) => each.code === "voltage-low" || each.code === "circuit-unsolved");
    expect(low.map((each) => [each.code, each.subjects[0]?.id])).toEqual([["voltage-low", "converter"]]);
    expect(wordsOf(low[0]!).remedy).toContain("Run 1 mm² or more");
  });

  test("extra-low voltage is 50 V a.c. and 120 V d.c. (IEC 61140, from memory): over it a cable is mains", () => {
    for (const id of boardIds()) {
      const { wiring, bundle } = planOn(id, usualDevices(id));
      for (const [kind, volts, carries] of [
        ["ac", 50, "extra-low voltage"],
        ["ac", 51, "mains"],
        ["dc", 120, "extra-low voltage"],
        ["dc", 121, "mains"],
      ] as const) {
        const rails = bundle.board.rails.map((rail) => ({ ...rail, kind, volts }));
        const fed = new Set(rails.flatMap(({ plus, minus }) => [...plus, ...minus]));
        const onMains = (core: Core) =>
          terminalOf(bundle.board, terminalIn(core.to) ?? "")?.block.purpose === "mains";
        const cables = cablesOf({ ...bundle.board, rails }, wiring.devices, wiring.cores);
        const isOf = ({ ends }: CablePlan, core: Core) =>
          ends.some((end) => end.device === core.device && end.part === core.part);
        for (const cable of cables) {
          const mine = wiring.cores.filter((core) => isOf(cable, core));
          if (mine.some((core) => fed.has(terminalIn(core.to) ?? "")) && !mine.some(onMains))
            expect([id, cable.label, cable.carries]).toEqual([id, cable.label, carries]);
        }
      }
    }
  });

  test("the bill sums metres by kind of cable, and counts connectors and what coils ask for", () => {
    const { devices, cores, cables } = planWiring(demoBundle("sheds"));
    const bill = billOf(devices, cores, cables);
    const metres = bill.filter((line) => line.unit === "m").reduce((sum, line) => sum + line.amount, 0);
    expect(metres).toBe(cables.reduce((sum, cable) => sum + cable.cutM, 0));
    expect(bill.find((line) => line.what.startsWith("Connector"))?.amount).toBe(1);
    const heavy = planOn("pengrath-drawmel", ["brackwater-plain", "brackwater-shoot"]).wiring;
    expect(billOf(heavy.devices, heavy.cores, heavy.cables).map((line) => line.what)).toContain(
      "Suppression for a coil",
    );
  });
});
