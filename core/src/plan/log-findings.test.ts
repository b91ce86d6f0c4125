import { answered, bundleOn, forgotten, usualDevices } from "../testing/shipped.ts";
import { planJob } from "./plan.ts";

const codes = (bundle: Parameters<typeof planJob>[0]) => planJob(bundle).nowFindings.map(({ code }) => code);

test("trap 22: work before the breaker is marked and all is proved dead is told, until it is", () => {
  for (const id of ["quillmarsh-tandrel", "hexby-hoistrum", "lammerlow-thrussel", "tessock-umbrick"]) {
    const given = bundleOn(id, usualDevices(id));
    const { sheet } = planJob(given);
    const isolation = sheet.filter((step) => step.isolates);
    const work = sheet.find(({ station, isolates }) => station === "wire" && !isolates)!;
    const early = answered(given, [work]);
    expect([id, codes(early)]).toEqual([id, expect.arrayContaining(["not-proved-dead"])]);
    const marked = answered(early, isolation.slice(0, 1));
    expect([id, codes(marked)]).toEqual([id, expect.arrayContaining(["not-proved-dead"])]);
    expect(codes(answered(early, isolation))).not.toContain("not-proved-dead");
    expect(codes(answered(given, [...isolation, work]))).not.toContain("not-proved-dead");
  }
});

test("traps 41 and 45: travel forgotten after it was learned, and a force proof that a change has made void", () => {
  for (const id of ["quillmarsh-tandrel", "osierbeck-quernish"]) {
    const given = bundleOn(id, usualDevices(id));
    const done = answered(given, planJob(given).sheet);
    expect(codes(done).filter((code) => /learning-lost|force-proof/.test(code))).toEqual([]);
    const reset = forgotten("travel");
    expect(codes({ ...done, log: [...done.log, reset] })).toEqual(
      expect.arrayContaining(["learning-lost", "force-proof-void"]),
    );
    const heavier = structuredClone(done);
    heavier.job.survey.leaves[0]!.massKg += 50;
    expect(codes(heavier)).toContain("force-proof-void");
    expect(codes(heavier)).not.toContain("learning-lost");
  }
});
