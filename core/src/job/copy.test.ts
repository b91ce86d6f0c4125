import { demoBundle } from "../testing/shipped.ts";
import { copyJob, copyTitle, surveyWants } from "./index.ts";
import { jobSchema, type Job } from "./schema.ts";

const job: Job = (() => {
  const { job: netloft } = demoBundle("netloft");
  const [first, ...others] = netloft.devices;
  return {
    ...netloft,
    installer: "Ivet Carrandine",
    survey: { ...netloft.survey, notes: "the post leans" },
    devices: [{ ...first!, pinned: { a: "P2" }, cores: { a: "RD" } }, ...others],
    found: { ...netloft.found, noted: true, firmware: "3.2", switches: { S1: "on" } },
  };
})();

const copyFor = (customer: string) => copyJob(job, { id: "next", title: "Next door", customer });

describe("a job like another", () => {
  test("has nothing of what was found or held on the site of the first, whoever it is for", () => {
    for (const customer of [job.site.customer, "Brisa Holloway-Tarn"]) {
      const copy = copyFor(customer);
      expect(jobSchema.parse(copy)).toEqual(copy);
      expect([copy.id, copy.title, copy.survey.notes]).toEqual(["next", "Next door", ""]);
      expect(copy.found).toMatchObject({ noted: false, firmware: "", switches: {} });
      for (const device of copy.devices) {
        expect(device).not.toHaveProperty("pinned");
        expect(device).not.toHaveProperty("cores");
      }
      expect(copy.devices.map(({ id, cables }) => [id, cables])).toEqual(
        job.devices.map(({ id, cables }) => [id, cables]),
      );
      expect([copy.wishes, copy.board]).toEqual([job.wishes, job.board]);
    }
  });

  test("for the same customer it stands where the first does, as measured there", () => {
    const copy = copyFor(job.site.customer);
    expect(copy.site).toEqual(job.site);
    expect(copy.survey.breaker).toBe(job.survey.breaker);
    expect(copy.assumed).toEqual(job.assumed);
  });

  test("for another customer it has no address and no breaker, and every size and length is to be measured", () => {
    const copy = copyFor("Brisa Holloway-Tarn");
    expect(copy.site).toEqual({ customer: "Brisa Holloway-Tarn", address: "", town: "" });
    expect(copy.survey.breaker).toBe("");
    const cables = job.devices.flatMap(({ id, cables }) =>
      Object.keys(cables).map((part) => `cable ${id} ${part}`),
    );
    const sizes = job.survey.leaves.flatMap((_, at) => [`leaf ${at} widthMm`, `leaf ${at} massKg`]);
    expect(copy.assumed).toEqual(expect.arrayContaining([...cables, ...sizes]));
  });

  test("its usual title fits where titles fit", () => {
    expect(copyTitle("Net loft")).toBe("Net loft, copy");
    expect(() => jobSchema.parse({ ...job, title: copyTitle("x".repeat(120)) })).not.toThrow();
  });
});

describe("what a survey still wants", () => {
  const bare: Job = {
    ...job,
    site: { ...job.site, address: " ", town: "" },
    installer: "",
    survey: { ...job.survey, breaker: "" },
    devices: [],
    found: { ...job.found, noted: false },
    assumed: ["leaf 0 massKg", "cable stop button", "cable edge edge"],
  };

  test("is told part by part, in the order in which it is gone through, and what the work waits for", () => {
    expect(surveyWants(bare).map(({ part, what, isNeeded }) => [part, what, isNeeded])).toEqual([
      ["site", "address", false],
      ["site", "town", false],
      ["site", "installer", false],
      ["thing", "sizes and masses, measured", false],
      ["thing", "where the breaker is", false],
      ["devices", "the devices on site", true],
      ["devices", "2 cable lengths, measured", false],
      ["found", "the board as it was found", true],
    ]);
  });

  test("is nothing where all of it is there, and one thing where one is missing", () => {
    const full: Job = { ...job, assumed: [] };
    expect(surveyWants(full)).toEqual([]);
    for (const [part, missing] of [
      ["site", { installer: " " }],
      ["thing", { survey: { ...job.survey, breaker: "" } }],
      ["thing", { assumed: ["leaf 1 widthMm"] }],
      ["devices", { assumed: ["cable stop button"] }],
      ["devices", { devices: [] }],
      ["found", { found: { ...job.found, noted: false } }],
    ] as const)
      expect(surveyWants({ ...full, ...missing } as Job).map((want) => want.part)).toEqual([part]);
  });
});
