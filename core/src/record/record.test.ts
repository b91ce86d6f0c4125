import { isClosed, type LogEntry } from "../job/index.ts";
import { answered, bundleOn, demoBundle, planAfter } from "../testing/shipped.ts";
import { makeRecord } from "./index.ts";
import { planJob } from "../plan/index.ts";

/** A hand-over, with more said of it. */
const handedOver = (more: Partial<Extract<LogEntry, { kind: "handed-over" }>> = {}) => ({
  kind: "handed-over" as const,
  id: "h",
  at: "2026-10-06T09:00:00.000Z",
  by: "Ivet",
  to: "Perrin",
  ...more,
});

describe("the record", () => {
  test("three columns: as found, planned, as left, differences first", () => {
    const record = makeRecord(planAfter(demoBundle("netloft"), (step) => step.id.startsWith("set:V2")));
    const push = record.settings.find((row) => row.id === "V2");
    expect(push).toEqual({ id: "V2", name: "PUSH (V2)", found: "7:30", planned: "11:15", left: "11:15" });
    const same = record.settings.findIndex((row) => row.found === row.left && row.left === row.planned);
    expect(record.settings.slice(same).every((row) => row.found === row.left)).toBe(true);
  });

  test("a whole job leaves nothing open, every core landed, every caution given", () => {
    const record = makeRecord(planAfter(demoBundle("slip"), () => true));
    expect(record.open).toEqual([]);
    expect(record.wiring.every((core) => core.landed)).toBe(true);
    expect(record.cautions.some((text) => text.startsWith("Mains kills."))).toBe(true);
  });

  test("an answer whose step the plan did away with is kept apart", () => {
    const bundle = demoBundle("netloft");
    const done = answered(
      bundle,
      planJob(bundle).sheet.filter((step) => step.id.startsWith("set:V1")),
    );
    const changed = {
      ...done,
      job: { ...done.job, wishes: { ...done.job.wishes, "automatic-closing-time": 100 } },
    };
    expect(makeRecord(planJob(changed)).superseded.map((row) => row.title)).toEqual(["REST to 8:45"]);
  });

  test("every attempt stands, the failed one too, and only the last counts", () => {
    const bundle = demoBundle("netloft");
    const { sheet } = planJob(bundle);
    const [dead] = sheet.filter((step) => step.id === "isolate:prove-dead");
    const tried = answered(answered(bundle, [dead!], "not-seen"), [dead!]);
    const { results } = makeRecord(planJob(tried));
    expect(results.map(({ outcome, stands }) => [outcome, stands])).toEqual([
      ["not-seen", false],
      ["seen", true],
    ]);
  });

  test("a gate gone past stands with its reason and who gave it", () => {
    const pass: LogEntry = {
      kind: "gate-passed",
      id: "p1",
      at: "2026-10-05T09:00:00.000Z",
      by: "Ivet",
      reason: "the hall is dark",
      gates: [{ id: "g", what: "Not done yet: Isolate and mark the breaker." }],
    };
    expect(makeRecord(planJob({ ...demoBundle("netloft"), log: [pass] })).passed).toEqual([
      { at: pass.at, by: "Ivet", reason: pass.reason, gates: [pass.gates[0]!.what] },
    ]);
  });

  test("what stands against the job is told, the gravest first, notes left out; a hand-over keeps it as it was", () => {
    const bundle = bundleOn("osierbeck-quernish", ["marlstreet-cell"]);
    const { standing } = makeRecord(planJob(bundle));
    expect(standing[0]?.severity).toBe("danger");
    expect(standing.some(({ severity }) => severity === "note")).toBe(false);
    expect(new Set(standing.map(({ what }) => what)).size).toBe(standing.length);
    const over = handedOver({ open: { steps: ["Manual release"], findings: standing } });
    const mended = { ...demoBundle("netloft"), log: [over] };
    expect(makeRecord(planJob(mended)).handedOver?.open).toEqual(over.open);
  });

  test("opened again, a job is not handed over, and why stands among the notes", () => {
    const again: LogEntry = {
      kind: "reopened",
      id: "r",
      at: "2026-10-07T09:00:00.000Z",
      by: "Ivet",
      reason: "speed",
    };
    const record = makeRecord(planJob({ ...demoBundle("netloft"), log: [handedOver(), again] }));
    expect(record.handedOver).toBeUndefined();
    expect(record.notes).toEqual([
      { at: again.at, by: "Ivet", text: "Opened again after the hand-over: speed" },
    ]);
    expect([isClosed([handedOver()]), isClosed([handedOver(), again]), isClosed([])]).toEqual([
      true,
      false,
      false,
    ]);
    expect(isClosed([handedOver(), again, handedOver()])).toBe(true);
  });

  test("the next service is so many months after hand-over; the last day stands for a day the month lacks", () => {
    const next = (at: string, serviceMonths: number) => {
      const bundle = demoBundle("slip", (job) => (job.survey.serviceMonths = serviceMonths));
      return makeRecord(planJob({ ...bundle, log: [handedOver({ at })] })).handedOver?.nextService;
    };
    expect(next("2026-08-31T10:00:00.000Z", 6)).toBe("2027-02-28");
    expect(next("2027-08-31T10:00:00.000Z", 6)).toBe("2028-02-29");
    expect(next("2026-11-24T23:59:00.000Z", 12)).toBe("2027-11-24");
  });
});

test("what was begun, changed at the leaf, found and left stands in the record, each in a sentence", () => {
  const stamp = (id: string) => ({ id, at: "2026-12-01T09:00:00.000Z", by: "Ivet" });
  const log: LogEntry[] = [
    { ...stamp("a"), kind: "begun", procedure: "learn-travel", reason: "It crept." },
    { ...stamp("b"), kind: "mechanical", what: "hinge", note: "greased" },
    { ...stamp("c"), kind: "settings", as: "found", dials: { V2: "2:00" }, links: { "link-stop": "out" } },
    { ...stamp("d"), kind: "settings", as: "found", complete: true },
  ];
  expect(makeRecord(planJob({ ...demoBundle("netloft"), log })).notes.map(({ text }) => text)).toEqual([
    "Begun: Learning the travel. Reason: It crept.",
    "Hinges or rollers were mended: greased",
    "Found: link P1–P2 at out and PUSH (V2) at 2:00.",
    "Found: everything as it was left before.",
  ]);
});
