import { wordsOf } from "../../finding/index.ts";
import { demoBundle, planOn } from "../../testing/shipped.ts";
import type { Job } from "../../job/index.ts";
import { planJob, type JobPlan } from "../../plan/index.ts";

const low = (plan: JobPlan) => plan.findings.filter((each) => each.code === "voltage-low");

function longRun(job: Job, device: string, lengthM: number, sizeMm2: 0.5 | 0.75 | 1.5 | 2.5): void {
  const found = job.devices.find((each) => each.id === device)!;
  for (const cable of Object.values(found.cables)) Object.assign(cable, { lengthM, sizeMm2 });
}

describe("trap 40: voltage drop at the far end", () => {
  test("the shipped jobs have none", () => {
    for (const name of ["netloft", "sheds", "slip"]) expect(low(planJob(demoBundle(name)))).toEqual([]);
  });

  test("a lock behind a converter at the end of 90 m of 0.5 mm²: told with a size that is enough", () => {
    const plan = planJob(demoBundle("netloft", (job) => longRun(job, "lock", 90, 0.5)));
    const [found] = low(plan);
    expect(found?.subjects[0]).toEqual({ kind: "device", id: "lock" });
    // By hand: 310 mA over 2 · 90 m of 39 Ω/km at 70 °C, 1.1965 times as much, and 0.1 Ω inside: 2.64 V lost of 24.
    expect(found?.values.volts).toBe("21.4 V");
    const words = wordsOf(found!);
    expect(words.what).toContain("it needs 21.5 V");
  });

  test("what misses by a hair is told with the hair: never the same number as what it needs", () => {
    const told = Array.from({ length: 41 }, (_, more) =>
      low(planJob(demoBundle("netloft", (job) => longRun(job, "lock", 84 + more / 20, 0.5)))),
    ).flatMap((found) => found.map(({ values }) => values.volts!));
    expect(told).not.toContain("21.5 V");
    expect(told).toContain("just under 21.5 V");
    expect(told.filter((volts) => /^21\.4\d V$/.test(volts)).length).toBeGreaterThan(0);
  });

  test("with the size it names, the finding is gone", () => {
    const far = planJob(demoBundle("netloft", (job) => longRun(job, "lock", 120, 0.5)));
    const remedy = wordsOf(low(far)[0]!).remedy;
    const size = Number(/Run ([\d.]+) mm²/.exec(remedy)?.[1]);
    expect([0.75, 1, 1.5, 2.5]).toContain(size);
    const mended = planJob(
      demoBundle("netloft", (job) => {
        longRun(job, "lock", 120, size as 0.75);
      }),
    );
    expect(low(mended)).toEqual([]);
  });

  test("a converter that starves is told, and not the lock behind it, whose cable would not help", () => {
    const { given } = planOn("quillmarsh-tandrel", ["brackwater-plain", "brackwater-clasp"]);
    const told = (sizeMm2: 0.5 | 0.75) => {
      const job = structuredClone(given.job);
      longRun(job, "converter-1", 120, sizeMm2);
      longRun(job, "lock-1", 5, 0.5);
      return low(planJob({ ...given, job }));
    };
    const [found, ...others] = told(0.5);
    expect(others).toEqual([]);
    expect(found?.subjects[0]).toEqual({ kind: "device", id: "converter-1" });
    expect(wordsOf(found!).remedy).toMatch(/^Run 0.75 mm²/);
    expect(told(0.75)).toEqual([]);
  });

  test("farther than the thickest cable carries: another supply is what is said", () => {
    const { given } = planOn("quillmarsh-tandrel", ["brackwater-plain", "brackwater-clasp"]);
    const { job, devices, ...rest } = structuredClone(given);
    longRun(job, "converter-1", 500, 2.5);
    devices.find(({ id }) => id === "brackwater-plain")!.supplies[0]!.volts.min = 23;
    expect(low(planJob({ ...rest, job, devices })).map((each) => wordsOf(each).remedy)).toEqual([
      "No cable of the usual sizes is enough: feed it from a supply nearby.",
    ]);
  });

  test("on a board of another manner, and on a rail that lives only while it moves: a beacon 400 m away", () => {
    const devices = ["marlstreet-strut", "marlstreet-strut", "oddlume-winkard"];
    const { given } = planOn("osierbeck-quernish", devices);
    const at = (lengthM: number) => {
      const job = structuredClone(given.job);
      longRun(job, "flashing-light-1", lengthM, 0.5);
      return low(planJob({ ...given, job })).map((each) => each.values.device);
    };
    expect(at(20)).toEqual([]);
    expect(at(400)).toEqual(["Winkard flashing light"]);
  });

  test("of a device with two cables the one is named that loses it", () => {
    const { given } = planOn("osierbeck-quernish", ["oddlume-glance"]);
    const { cables } = given.job.devices[0]!;
    Object.assign(cables.sender!, { lengthM: 3, sizeMm2: 1.5 });
    Object.assign(cables.receiver!, { lengthM: 6000, sizeMm2: 0.5 });
    expect(low(planJob(given)).map(({ values }) => values.cable)).toEqual(["6000 m of 0.5 mm²"]);
  });

  test("a drive at the end of a long thin cable loses its volts as it runs: told by name, with a size that is enough", () => {
    for (const [board, drive] of [
      ["pengrath-drawmel", "pengrath-haul"],
      ["osierbeck-quernish", "marlstreet-strut"],
      ["hexby-hoistrum", "hexby-shaft"],
    ] as const) {
      const { given } = planOn(board, board === "osierbeck-quernish" ? [drive, drive] : [drive]);
      const told = (lengthM: number, sizeMm2: number) => {
        const job = structuredClone(given.job);
        longRun(job, "drive-1", lengthM, sizeMm2 as 0.5);
        return low(planJob({ ...given, job }));
      };
      expect([board, told(4, 1.5)]).toEqual([board, []]);
      const [found, ...others] = told(board === "hexby-hoistrum" ? 450 : 60, 0.5);
      expect([board, others]).toEqual([board, []]);
      expect(found?.subjects[0]).toEqual({ kind: "device", id: "drive-1" });
      const size = Number(/Run ([\d.]+) mm²/.exec(wordsOf(found!).remedy)?.[1] ?? "0");
      if (size) expect([board, told(board === "hexby-hoistrum" ? 450 : 60, size)]).toEqual([board, []]);
    }
    // By hand: 2 · 60 m of 39 Ω/km at 70 °C, 1.1965 times as much, are 5.60 Ω; under its 20 V the drive takes no more
    // than its 20 V / 2.4 A = 8.33 Ω would: 24 V · 5.60 / (5.60 + 8.33) are lost on the way.
    const { given } = planOn("osierbeck-quernish", ["marlstreet-strut", "marlstreet-strut"]);
    longRun(given.job, "drive-1", 60, 0.5);
    const lost = Number.parseFloat(low(planJob(given))[0]!.values.lost!);
    expect(lost).toBeGreaterThan(9.5);
    expect(lost).toBeLessThan(9.8);
  });

  test("a rail at its limit is told as that, and not as a cable too thin", () => {
    const bundle = demoBundle("netloft");
    bundle.board.budgets[0]!.limitMilliamps = 60;
    const plan = planJob(bundle);
    expect(plan.findings.map((each) => each.code)).toContain("rail-overloaded");
    expect(low(plan)).toEqual([]);
  });
});

test("trap 19: what is too much with cores cold alone is told, and what its cable always takes away is not", () => {
  const { given } = planOn("quillmarsh-tandrel", ["brackwater-plain", "brackwater-clasp"]);
  const over = (lengthM: number) => {
    const job = structuredClone(given.job);
    longRun(job, "converter-1", 5, 0.75);
    longRun(job, "lock-1", lengthM, 0.5);
    return planJob({ ...given, job }).findings.filter(({ code }) => code === "voltage-over");
  };
  // By hand: 32.5 V behind 8.5 V / 0.56 A leave 27.79 V at 310 mA, 0.79 V over what the lock bears. Two cores of 0.5 mm²
  // (39 Ω/km) lose that over 33 m at 20 °C, and over 27 m already at 70 °C.
  expect(over(30).map(({ subjects }) => subjects[0])).toEqual([{ kind: "device", id: "lock-1" }]);
  expect(over(35)).toEqual([]);
});
