import { proving, sampleOf } from "../testing/sample.ts";
import type { Procedure } from "../board/index.ts";
import type { JobBundle, LogEntry } from "../job/index.ts";
import { planJob } from "../plan/index.ts";
import { settingsHistory, stateNow } from "../state/index.ts";
import { planOn, planOnce, answered, boardIds, bundleOn, usualDevices } from "../testing/shipped.ts";
import { aftermathOf, answersOf, gatesBefore, purposesOf, runSheet, stations } from "./index.ts";

const at = "2026-12-01T09:00:00.000Z";
const stamp = (id: string) => ({ id, at, by: "Ivet Carrandine" });

/** A job on a board, noted as found, with everything done. */
function doneOn(id: string): JobBundle {
  const bundle = bundleOn(id, usualDevices(id));
  bundle.job.found.noted = true;
  return answered(bundle, planOnce(bundle).sheet);
}

const begins = (bundle: JobBundle, procedure: Procedure): JobBundle => ({
  ...bundle,
  log: [...bundle.log, { ...stamp("again"), kind: "begun", procedure: procedure.id, reason: "It crept." }],
});

describe("a procedure that is begun because it is needed, on every board", () => {
  const all = sampleOf(boardIds(), 6).flatMap((id) => {
    const done = doneOn(id);
    const plan = planOnce(done);
    return purposesOf(plan)
      .flatMap(({ procedures }) => procedures)
      .filter((procedure, n, each) => each.indexOf(procedure) === n && procedure.kind !== "power-up")
      .map((procedure) => ({ id, done, plan, procedure }));
  });

  /** The last of these of each board. */
  const oneEach = (each: typeof all) => [...new Map(each.map((one) => [one.id, one])).values()];

  test("opens exactly what was told before, and these steps done in their order make everything good", () => {
    expect(all.length).toBeGreaterThan(proving ? 60 : 20);
    let voiding = 0;
    for (const { id, done, plan, procedure } of all) {
      const told = aftermathOf(plan, plan.sheet, procedure).voids.map(({ step }) => step);
      const began = begins(done, procedure);
      const { board } = plan.bundle;
      // The sheet follows from what was begun alone, not from its answers.
      const sheet = runSheet({ ...plan, bundle: { ...began, board } });
      const voided = (bundle: JobBundle) => answersOf({ sheet, bundle: { ...bundle, board } }).voided;
      const ran = answered(
        began,
        sheet.filter((step) => step.begun),
      );
      const open = sheet.filter((step) => voided(ran).has(step.id));
      expect([id, procedure.id, open.map((step) => step.id)]).toEqual([id, procedure.id, told]);
      voiding += Number(told.length > 0);
      const mended = answered(ran, open);
      expect([id, procedure.id, [...voided(mended).keys()]]).toEqual([id, procedure.id, []]);
      const learned = (bundle: JobBundle) => {
        // A memory that fills by itself while it runs is nobody's to make good.
        const own = board.memories.filter(
          ({ relearns, holds }) => !relearns && holds !== "faults" && holds !== "cycles",
        );
        return own
          .map((memory) => memory.id)
          .filter((memory) => stateNow({ bundle: { ...bundle, board } }).learned.includes(memory));
      };
      expect([id, procedure.id, learned(mended)]).toEqual([
        id,
        procedure.id,
        expect.arrayContaining(learned(done)),
      ]);
      const stands = (bundle: JobBundle) => stateNow({ bundle: { ...bundle, board } }).inForce;
      expect([id, procedure.id, stands(mended)]).toEqual([id, procedure.id, stands(done)]);
    }
    expect(voiding).toBeGreaterThan(proving ? 20 : 7);
  });

  test("tells nothing that is open already: begun a second time, what the first voided is not told again", () => {
    let left = 0;
    for (const { id, done, plan, procedure } of oneEach(all.filter((each) => each.procedure.clears.length))) {
      const first = aftermathOf(plan, plan.sheet, procedure).voids.map(({ step }) => step);
      const began = planJob(begins(done, procedure));
      const ran = planJob(
        answered(
          began.bundle,
          began.sheet.filter((step) => step.begun),
        ),
      );
      const again = aftermathOf(ran, ran.sheet, procedure).voids.map(({ step }) => step);
      expect([id, again.filter((step) => first.includes(step))]).toEqual([id, []]);
      left += first.length;
    }
    expect(left).toBeGreaterThan(proving ? 5 : 1);
  });

  test("joins the sheet once for each time it is begun, at its station, and changes no step that was there", () => {
    for (const { id, done, plan, procedure } of oneEach(all)) {
      const twice = begins(begins(done, procedure), procedure);
      twice.log = twice.log.map((entry, n) => ({ ...entry, id: `${entry.id}-${n}` }));
      const { sheet } = planJob(twice);
      const count = sheet.filter(({ begun }) => begun).length;
      expect([id, procedure.id, count % 2, count > 0]).toEqual([id, procedure.id, 0, true]);
      expect(new Set(sheet.map((step) => step.id)).size).toBe(sheet.length);
      expect(sheet.filter(({ begun }) => !begun).map((step) => step.id)).toEqual(
        plan.sheet.map((step) => step.id),
      );
      for (const step of sheet) expect(stations).toContain(step.station);
    }
  });

  test("a reset waits until everything was noted as found, and on a later visit until it was noted anew", () => {
    for (const { id, done, procedure } of oneEach(all.filter((each) => each.procedure.kind === "reset"))) {
      const gates = (bundle: JobBundle) => {
        const plan = planJob(bundle);
        const readings = { inputs: {} } as never;
        const first = plan.sheet.find(({ begun, resets }) => begun && resets)!;
        return gatesBefore({ ...plan, readings }, first).filter(({ id: gate }) => gate.startsWith("noted:"))
          .length;
      };
      const began = begins(done, procedure);
      expect([id, gates(began)]).toEqual([id, 0]);
      const blind = structuredClone(began);
      blind.job.found.noted = false;
      expect([id, gates(blind)]).toEqual([id, 1]);
      const later: LogEntry[] = [
        ...done.log,
        { ...stamp("again-open"), kind: "reopened", reason: "It crept." },
      ];
      expect(gates(begins({ ...done, log: later }, procedure))).toBe(1);
      const noted: LogEntry = { ...stamp("seen"), kind: "settings", as: "found", complete: true };
      expect(gates(begins({ ...done, log: [...later, noted] }, procedure))).toBe(0);
      const some: LogEntry = { ...noted, complete: false };
      expect(gates(begins({ ...done, log: [...later, some] }, procedure))).toBe(1);
    }
  });
});

test("what no board can do is there as a purpose with nothing for it; a reset at the limits asks for a drive that has them", () => {
  const purpose = (id: string, which: string) =>
    purposesOf(planOn(id, usualDevices(id)))
      .find((each) => each.id === which)!
      .procedures.map((each) => each.id);
  expect(purpose("copperfold-casspel", "self-test")).toEqual([]);
  expect(purpose("osierbeck-quernish", "clear-speed")).toContain("clear-speed");
  const stops = bundleOn("osierbeck-quernish", usualDevices("osierbeck-quernish"));
  for (const device of stops.devices) if (device.kind === "drive") device.limits = "stops";
  const known = purposesOf(planJob(stops)).find(({ id }) => id === "clear-speed")!.procedures;
  expect(known.map(({ id }) => id)).not.toContain("clear-speed");
});

test("every procedure of every board can be begun for something, those that fit no purpose among the others", () => {
  let others = 0;
  for (const id of boardIds()) {
    const plan = planOn(id, usualDevices(id));
    const purposes = purposesOf(plan);
    const taken = purposes.flatMap(({ procedures }) => procedures.map((each) => each.id));
    const known = plan.bundle.board.procedures.filter(({ manner }) => manner !== "by-limits");
    expect([id, known.filter((each) => !taken.includes(each.id))]).toEqual([id, []]);
    others += purposes.filter((each) => each.id === "other").length;
  }
  expect(others).toBeGreaterThan(0);
});

test("what a board has nothing of is told as absent, and not as unknown", () => {
  const absent = (id: string, which: string) =>
    purposesOf(planOn(id, usualDevices(id))).find((each) => each.id === which)!.absent;
  for (const which of ["pair", "erase-one", "erase-all"])
    expect(absent("lammerlow-thrussel", which)).toBe("This board remembers no remotes.");
  expect(absent("osierbeck-quernish", "pair")).toBeUndefined();
  expect(absent("marlstreet-pewlark", "restore")).toMatch(/keeps no values/);
  expect(absent("copperfold-casspel", "self-test")).toBeUndefined();
});

describe("a spring, a limit, a belt, or a control left otherwise", () => {
  test("opens learning and force on every board that learns, until they are done again", () => {
    for (const id of boardIds()) {
      const done = doneOn(id);
      const opened = (log: LogEntry) => [
        ...answersOf(planJob({ ...done, log: [...done.log, log] })).voided.keys(),
      ];
      const spring = opened({ ...stamp("m"), kind: "mechanical", what: "spring" });
      const { sheet } = planJob(done);
      const learns = sheet.filter(
        ({ effects, voidBy }) => voidBy?.mechanics && effects.some(({ kind }) => kind === "learn"),
      );
      expect([id, learns.every((step) => spring.includes(step.id))]).toEqual([id, true]);
    }
  });

  test("a dial left otherwise opens its own step and what rests on it; put back, they hold", () => {
    const done = doneOn("quillmarsh-tandrel");
    const left = (clock: string, n = 1): LogEntry => ({
      ...stamp(`left-${n}`),
      kind: "settings",
      as: "left",
      dials: { V2: clock },
    });
    const opened = (...log: LogEntry[]) => [
      ...answersOf(planJob({ ...done, log: [...done.log, ...log] })).voided.keys(),
    ];
    const ids = opened(left("2:00"));
    expect(ids.some((id) => id.startsWith("set:V2"))).toBe(true);
    expect(ids.some((id) => id.startsWith("force:"))).toBe(true);
    expect(ids.some((id) => id.startsWith("prove:"))).toBe(false);
    expect(opened(left("2:00"), left("11:45", 2))).toEqual([]);
  });
});

test("settings over visits: left at the hand-over, found otherwise at the next, what differs first", () => {
  const done = doneOn("quillmarsh-tandrel");
  const log: LogEntry[] = [
    ...done.log,
    { ...stamp("over"), kind: "handed-over", to: "Perrin" },
    { ...stamp("open"), kind: "reopened", reason: "It stops half-way." },
    { ...stamp("seen"), kind: "settings", as: "found", dials: { V1: "3:00" }, complete: true },
  ];
  const { columns, rows } = settingsHistory(planJob({ ...done, log }));
  expect(columns.map(({ kind }) => kind)).toEqual(["found", "left", "found", "planned", "left"]);
  const [first] = rows;
  expect(first).toMatchObject({ subject: { kind: "dial", id: "V1" }, changed: true, differs: true });
  expect(first!.stands.map(({ text }) => text)[2]).toBe("3:00, 80 %");
  expect(rows.filter(({ changed }) => changed)).toHaveLength(1);
});

test("over three visits what was found is held against what was left last, and what still differs from the plan stands first", () => {
  const done = doneOn("quillmarsh-tandrel");
  const visit = (n: number, dials: Record<string, string>): LogEntry[] => [
    { ...stamp(`open-${n}`), kind: "reopened", reason: "It stops half-way." },
    { ...stamp(`seen-${n}`), kind: "settings", as: "found", dials, complete: true },
  ];
  const over = (n: number): LogEntry => ({ ...stamp(`over-${n}`), kind: "handed-over", to: "Perrin" });
  // V2 was turned and left so at the second visit; at the third it stands as it was left. V1 was put back.
  const left: LogEntry = { ...stamp("left"), kind: "settings", as: "left", dials: { V2: "2:00" } };
  const log = [...done.log, over(1), ...visit(2, {}), left, over(2), ...visit(3, { V2: "2:00" })];
  const rowsOf = (entries: LogEntry[]) => settingsHistory(planJob({ ...done, log: entries })).rows;
  const row = (entries: LogEntry[], id: string) => rowsOf(entries).find(({ subject }) => subject.id === id)!;
  expect(row(log, "V2")).toMatchObject({ changed: false, differs: true });
  // Found otherwise and put back as planned: changed between visits, and nothing is left to do.
  const [planned] = [row(log, "V1").stands.at(-1)!.text.split(",")[0]!];
  const back: LogEntry = { ...stamp("back"), kind: "settings", as: "left", dials: { V1: planned } };
  const turned = [...done.log, over(1), ...visit(2, { V1: "3:00" }), back, left];
  expect(row(turned, "V1")).toMatchObject({ changed: true, differs: false });
  expect(
    rowsOf(turned)
      .slice(0, 2)
      .map(({ subject }) => subject.id),
  ).toEqual(["V2", "V1"]);
});
