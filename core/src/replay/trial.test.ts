import { wordsOf } from "../finding/index.ts";
import { nodeKey } from "../node/index.ts";
import { planJob, practiceBundle, type JobPlan } from "../plan/index.ts";
import {
  planOnce,
  boardIds,
  demoBundle,
  demoJobs,
  shippedBoard,
  shippedDevices,
} from "../testing/shipped.ts";
import { trialOf } from "./index.ts";
import { playOn } from "./replay.ts";

const codes = (plan: JobPlan) => trialOf(plan)?.findings.map(({ finding: { code } }) => code);
const netloft = (change: (plan: JobPlan) => void = () => {}): JobPlan => {
  const plan = planJob(demoBundle("netloft"));
  change(plan);
  return plan;
};

test.each(demoJobs())("%s runs as planned, and shows nothing grave", (id) => {
  expect(codes(planOnce(demoBundle(id)))).toEqual([]);
});

test.each(boardIds().filter((id) => shippedBoard(id).leaves > 0))(
  "%s runs with what fits it, and shows nothing grave",
  (id) => {
    expect(codes(planOnce(practiceBundle(shippedBoard(id), shippedDevices())))).toEqual([]);
  },
);

test("a leaf far too heavy for the force turns back: told with what the board finds, at its moment", () => {
  const plan = planJob(
    demoBundle("ropewalk", (job) => {
      for (const leaf of job.survey.leaves) leaf.massKg = 3_000;
    }),
  );
  const { findings, run } = trialOf(plan)!;
  expect(findings.map(({ finding: { code, severity } }) => [code, severity])).toEqual([
    ["run-turns-back", "danger"],
  ]);
  const [{ at, finding }] = findings as [(typeof findings)[number]];
  expect(wordsOf(finding).why).toMatch(/pushes against something/);
  expect(wordsOf(finding).what).not.toMatch(/[{}]/);
  // Played again, it is there at that second.
  const { events } = playOn(plan, run);
  const obstructed = events.find(({ event }) => event.kind === "obstructed");
  expect(obstructed!.at).toBeCloseTo(at, 1);
});

test("a photocell out of order as it was found keeps a gate from closing: it opens, and never closes", () => {
  const plan = netloft((of) => {
    const cores = of.wiring.cores.filter(({ device }) => device === "cell-street");
    of.ahead = { ...of.ahead, landed: of.ahead.landed.filter((id) => !cores.some((core) => core.id === id)) };
  });
  expect(codes(plan)).toEqual(["run-never-closes"]);
});

test("a drive without its cores never opens", () => {
  const plan = netloft((of) => {
    const drives = of.wiring.devices.filter(({ profile }) => profile.kind === "drive").map(({ id }) => id);
    const cores = of.wiring.cores.filter(({ device }) => device !== undefined && drives.includes(device));
    of.ahead = { ...of.ahead, landed: of.ahead.landed.filter((id) => !cores.some((core) => core.id === id)) };
  });
  expect(codes(plan)).toEqual(["run-never-opens"]);
});

test("a dial of two functions left under its threshold: the leaves close together, and the heavier one binds", () => {
  const plan = planJob(
    demoBundle("netloft", (job) => {
      job.survey.leaves[1]!.massKg *= 3;
    }),
  );
  const { positions } = plan.ahead;
  const left = { ...positions, dials: { ...positions.dials, V3: "7:15" } };
  plan.ahead = { ...plan.ahead, positions: left, inForce: left };
  const [shown] = trialOf(plan)!.findings;
  expect(shown!.finding).toMatchObject({ code: "run-binds", severity: "danger" });
  expect(shown!.at).toBeGreaterThan(5);
});

test("drives on each other's terminals as found: the wrong leaf comes last, and it never closes", () => {
  const plan = netloft((of) => {
    const [first, second] = of.wiring.devices.filter(({ profile }) => profile.kind === "drive");
    const coresOf = (id: string) => of.wiring.cores.filter(({ device }) => device === id);
    const swap = (own: string, other: string) =>
      coresOf(own).flatMap(({ from }, n) => {
        const to = coresOf(other)[n]?.to;
        if (from.kind !== "pin" || to?.kind !== "terminal") return [];
        return [[nodeKey(from), { pin: from, seat: to }] as const];
      });
    const sits = [...swap(first!.id, second!.id), ...swap(second!.id, first!.id)];
    of.ahead = { ...of.ahead, sits: { ...of.ahead.sits, ...Object.fromEntries(sits) } };
  });
  expect(codes(plan)).toEqual(["run-never-closes"]);
});

test("a panel that gives less than a day takes empties the battery; the days are told", () => {
  const bundle = demoBundle("eelfence");
  for (const { id, provides } of bundle.devices)
    if (id.includes("sunnick")) for (const rail of provides) rail.limitMilliamps = 8;
  const [{ finding }] = trialOf(planJob(bundle))!.findings as [
    NonNullable<ReturnType<typeof trialOf>>["findings"][number],
  ];
  expect(finding.code).toBe("run-drains");
  // By hand: 2 mA asleep over 24 h, the rest of ten passages awake; four hours of 8 mA.
  const { takes, gives } = finding.values;
  expect(Number(gives)).toBeCloseTo(4 * 0.008, 2);
  expect(Number(takes)).toBeGreaterThan(24 * 0.002);
  expect(Number(takes)).toBeLessThan(0.3);
});

test("what has not learned its travel, and what has no drive, is not run", () => {
  expect(trialOf(netloft((of) => (of.ahead = { ...of.ahead, learned: [], held: {} })))).toBeUndefined();
  const bare = demoBundle("netloft", (job) => (job.devices = []));
  expect(trialOf(planJob(bare))?.findings ?? []).toBeDefined();
});
