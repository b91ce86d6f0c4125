import { answered, demoBundle, planAfter } from "../testing/shipped.ts";
import { makeRecord } from "./index.ts";
import { planJob } from "../plan/index.ts";

describe("the record", () => {
  test("three columns: as found, planned, as left, differences first", () => {
    const record = makeRecord(planAfter(demoBundle("netloft"), (step) => step.id.startsWith("set:V2")));
    const push = record.settings.find((row) => row.id === "V2");
    expect(push).toEqual({ id: "V2", label: "PUSH", found: "7:30", planned: "11:15", left: "11:15" });
    const same = record.settings.findIndex((row) => row.found === row.left && row.left === row.planned);
    expect(record.settings.slice(same).every((row) => row.found === row.left)).toBe(true);
  });

  test("a whole job leaves nothing open, every core landed, every caution given", () => {
    const record = makeRecord(planAfter(demoBundle("lampquay"), () => true));
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

  test("the next service is so many months after hand-over; the last day stands for a day the month lacks", () => {
    const next = (at: string, serviceMonths: number) => {
      const bundle = demoBundle("lampquay", (job) => (job.survey.serviceMonths = serviceMonths));
      const log = [{ kind: "handed-over" as const, id: "h", at, by: "Ivet", to: "Perrin" }];
      return makeRecord(planJob({ ...bundle, log })).handedOver?.nextService;
    };
    expect(next("2026-08-31T10:00:00.000Z", 6)).toBe("2027-02-28");
    expect(next("2027-08-31T10:00:00.000Z", 6)).toBe("2028-02-29");
    expect(next("2026-11-24T23:59:00.000Z", 12)).toBe("2027-11-24");
  });
});
