import type { JobBundle, LogEntry } from "../job/index.ts";
import { planJob, type JobPlan } from "../plan/index.ts";
import { readingsOf, stateNow } from "../state/index.ts";
import { answered, boardIds, bundleOn, usualDevices } from "../testing/shipped.ts";
import { gatesBefore, type Gate } from "./preconditions.ts";
import { stations, type Step } from "./step.ts";

/** What stands before each step of a plan as a log leaves it. */
function gatesOf(plan: JobPlan, { log }: Pick<JobBundle, "log"> = plan.bundle): (step: Step) => Gate[] {
  const bundle = { ...plan.bundle, log };
  const readings = readingsOf(plan, stateNow({ bundle }));
  return (step) => gatesBefore({ ...plan, bundle, readings }, step);
}

const proveDead = "isolate:prove-dead";
const isolation = ["isolate:breaker", proveDead];
const find = (sheet: readonly Step[], id: string) => sheet.find((step) => step.id === id)!;

/** The bundle with a gate passed for a reason. */
function passed(bundle: JobBundle, gates: readonly Gate[]): JobBundle {
  const entry: LogEntry = {
    kind: "gate-passed",
    id: `pass-${bundle.log.length}`,
    at: "2026-10-05T12:00:00.000Z",
    by: "Ivet Carrandine",
    gates: gates.map(({ id, what }) => ({ id, what })),
    reason: "the main switch of the hall is off and locked",
  };
  return { ...bundle, log: [...bundle.log, entry] };
}

/** Proved dead, and a voltage found. */
function alive(bundle: JobBundle, sheet: readonly Step[], volts: number): JobBundle {
  const step = find(sheet, proveDead);
  const told = answered(bundle, [step], "not-seen");
  const last = told.log.at(-1)!;
  const { quantity, unit } = step.readings![0]!;
  return {
    ...told,
    log: [...told.log.slice(0, -1), { ...last, readings: [{ quantity, value: volts, unit }] } as LogEntry],
  };
}

describe.each(boardIds())("gates on %s", (id) => {
  const bundle = bundleOn(id, usualDevices(id));
  const plan = planJob(bundle);
  const { sheet } = plan;
  const atWork = sheet.filter(
    ({ id: step, station, after }) =>
      (station === "wire" || station === "set") && !isolation.includes(step) && !after,
  );

  test("work in its order meets none", () => {
    let done = bundle;
    for (const step of sheet) {
      // Read where it can matter: before power, and where a procedure asks for something.
      if (step.needs?.length || step.isolates || step === atWork[0])
        expect([step.id, gatesOf(plan, done)(step)]).toEqual([step.id, []]);
      done = answered(done, [step]);
    }
    expect(
      planJob(done)
        .statuses.slice(1)
        .every(({ state }) => state === "settled"),
    ).toBe(true);
  });

  test("nothing is wired or set before the breaker is off and marked and all is proved dead: trap 22", () => {
    const fresh = gatesOf(plan);
    for (const step of atWork) expect(fresh(step).map((gate) => gate.step)).toEqual(isolation);
    expect(fresh(find(sheet, isolation[0]!))).toEqual([]);
    const off = answered(bundle, [find(sheet, isolation[0]!)]);
    expect(gatesOf(plan, off)(atWork[0]!).map((gate) => gate.step)).toEqual([proveDead]);
  });

  test("398 V at prove dead closes what lies behind, in words, until it reads dead", () => {
    const found = alive(answered(bundle, [find(sheet, isolation[0]!)]), sheet, 398);
    for (const step of atWork) {
      const [gate, ...others] = gatesOf(plan, found)(step);
      expect(others).toEqual([]);
      expect(gate?.what).toMatch(/^Not seen: .*prove dead\. .+: 398 V\.$/);
    }
    const dead = answered(found, [find(sheet, proveDead)]);
    for (const step of atWork) expect(gatesOf(plan, dead)(step)).toEqual([]);
  });

  test("a reason passes it, until something new is known of it", () => {
    const found = alive(answered(bundle, [find(sheet, isolation[0]!)]), sheet, 398);
    const past = passed(found, gatesOf(plan, found)(atWork[0]!));
    for (const step of atWork) expect(gatesOf(plan, past)(step)).toEqual([]);
    expect(gatesOf(plan, alive(past, sheet, 230))(atWork[0]!)).toHaveLength(1);
  });

  test("once the board has had power it is isolated anew before it is touched again", () => {
    const power = sheet.find(({ effects }) => effects.some((effect) => effect.kind === "power" && effect.on));
    if (!power) return;
    const until = sheet.slice(0, sheet.indexOf(power) + 1).filter((step) => step !== atWork.at(-1));
    const gates = gatesOf(plan, answered(bundle, until))(atWork.at(-1)!);
    expect(gates.map((gate) => gate.step)).toEqual(isolation);
    expect(gates[0]?.what).toMatch(/^The board has had power since/);
  });

  test("a procedure is followed from its first step, and waits for what it needs", () => {
    const fresh = gatesOf(plan);
    for (const step of sheet) {
      const before = step.after === undefined ? undefined : find(sheet, step.after);
      if (before) expect(fresh(step).map((gate) => gate.step)).toContain(before.id);
      if (step.needs?.some((need) => need.powered === true))
        expect(fresh(step).some(({ kind }) => kind === "needs")).toBe(true);
    }
  });
});

/** Jobs that are dangerous as they are planned, on boards of different manner. */
const dangerous: [string, string[]][] = [
  ["tessock-umbrick", ["tessock-gate-board", "tessock-sunnick-24", "marlstreet-cell"]],
  ["osierbeck-quernish", ["marlstreet-strut", "marlstreet-strut", "marlstreet-cell"]],
];

describe("a danger", () => {
  test("stands before power and everything after it, and before no wiring, until it is gone or passed with a reason", () => {
    let others = false;
    for (const [board, devices] of dangerous) {
      const bundle = bundleOn(board, devices);
      const plan = planJob(bundle);
      const { sheet, dangers, statuses } = plan;
      expect([board, dangers.length]).not.toEqual([board, 0]);
      const gates = gatesOf(plan);
      for (const step of sheet) {
        const behind = stations.indexOf(step.station) >= stations.indexOf("power-up");
        const told = gates(step).filter(({ kind }) => kind === "danger");
        expect([step.id, told.length]).toEqual([step.id, behind ? dangers.length : 0]);
      }
      // A station is in trouble by a danger, whatever else it waits for.
      for (const station of stations.slice(stations.indexOf("power-up"))) {
        const next = sheet.find((step) => step.station === station);
        if (!next) continue;
        const kinds = gates(next).map(({ kind }) => kind);
        expect([station, kinds]).toEqual([station, expect.arrayContaining(["danger"])]);
        others ||= kinds.some((kind) => kind !== "danger");
        expect(statuses.find((each) => each.station === station)).toMatchObject({
          state: "blocked",
          trouble: true,
        });
      }
      const power = sheet.find(({ station }) => station === "power-up")!;
      const past = passed(bundle, gates(power));
      expect(gatesOf(plan, past)(power).filter(({ kind }) => kind === "danger")).toEqual([]);
    }
    expect(others).toBe(true);
  });

  test("what only waits for earlier work is in no trouble", () => {
    const waiting = planJob(bundleOn("pengrath-drawmel", usualDevices("pengrath-drawmel"))).statuses.filter(
      ({ state }) => state === "blocked",
    );
    expect(waiting.map(({ station }) => station)).toContain("prove");
    expect(waiting.flatMap(({ trouble }) => trouble ?? [])).toEqual([]);
  });
});
