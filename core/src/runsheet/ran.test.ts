import { planJob } from "../plan/index.ts";
import { demoBundle, demoJobs } from "../testing/shipped.ts";
import { lookSeconds } from "../twin/index.ts";
import { ranStep, type Ran } from "./index.ts";

const plan = planJob(demoBundle("netloft"));
const ran = (id: string, of = plan): Ran => ranStep(of, of.sheet, id)!;

describe("a step as the moving installation makes it", () => {
  test("tells each leaf's way with its seconds, the leaf that lies below starting last and arriving first", () => {
    const { moves, movements, seconds, samples } = ran("do:first-cycle:cycle");
    expect(moves[0]).toMatch(/^The overlapping leaf opens for \d+ s and stands fully open\.$/);
    const [first, second] = movements;
    expect([first!.leaf, second!.leaf]).toEqual(["first", "second"]);
    expect(second!.begins).toBeGreaterThan(first!.begins);
    expect(movements.at(-1)!.leaf).toBe("first");
    expect(samples.first!.length * lookSeconds).toBeCloseTo(seconds, 0);
    expect(movements.every(({ begins, ends }) => begins >= 0 && ends <= seconds + 1)).toBe(true);
  });

  test("goes on from the step before it, on the same board: what one begins the next one ends", () => {
    const begins = ran("do:learn-travel:start");
    expect(begins.moves.at(-1)).toBe("The gate begins to close and goes on in the next step.");
    const ends = ran("do:learn-travel:run");
    expect(ends.moves.every((text) => / and stands closed\.$/.test(text))).toBe(true);
  });

  test("a step without a gesture is run by nobody; one that no hand makes move moves nothing", () => {
    const still = plan.sheet.find(({ gestures }) => !gestures)!;
    expect(ranStep(plan, plan.sheet, still.id)).toBeUndefined();
    expect(ranStep(plan, plan.sheet, "nothing")).toBeUndefined();
    expect(ran("do:power-up:on").movements).toEqual([]);
    // Leaves that are brought half-way by hand have not moved by themselves.
    expect(ran("do:direction:half-way").moves).toEqual([]);
  });

  test("a heavier leaf takes no less time, with the masses of this job", () => {
    const heavy = planJob(
      demoBundle("netloft", (job) => {
        for (const leaf of job.survey.leaves) leaf.massKg *= 1.6;
      }),
    );
    const seconds = (of: Ran) => of.movements[0]!.ends - of.movements[0]!.begins;
    expect(seconds(ran("do:first-cycle:cycle", heavy))).toBeGreaterThanOrEqual(
      seconds(ran("do:first-cycle:cycle")),
    );
  });
});

test.each(demoJobs().filter((id) => id !== "sailloft"))(
  "%s: every step that is to move something moves it, the way the sheet says, and shows what the sheet shows",
  (id) => {
    const of = planJob(demoBundle(id));
    for (const step of of.sheet) {
      if (!step.gestures) continue;
      const { lamps, moves } = ran(step.id, of);
      const said = step.see.flatMap((seen) => (seen.kind === "text" ? [seen.text] : [])).join(" ");
      const way = /(opens|closes)/.exec(said)?.[1];
      if (way && /^(The|Each|Leaf)/.test(said) && !/direction|calibrate/.test(step.id))
        expect([step.id, moves.join(" ")]).toEqual([step.id, expect.stringMatching(/open|close/)]);
      const other = Object.keys(lamps).filter(
        (lamp) => lamps[lamp] !== step.lamps[lamp] && !lamp.startsWith("lim-"),
      );
      expect([step.id, other]).toEqual([step.id, []]);
    }
  },
);
